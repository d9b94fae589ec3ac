import type { Point } from "#core/geometry";

/** Light on dark, so that it is seen on any photo. */
export function DrawnLine({ line }: { readonly line: readonly Point[] }) {
  const [a, b] = line;
  if (!a || !b) return null;
  const ends = { x1: a.x, y1: a.y, x2: b.x, y2: b.y };
  return (
    <svg aria-hidden="true" width="100%" height="100%" style={{ position: "absolute", inset: 0 }}>
      <line {...ends} stroke="#22302b" strokeWidth="4" />
      <line {...ends} stroke="#fdfbf7" strokeWidth="2" />
    </svg>
  );
}
