import type { Zooming } from "./use-zoom.ts";

/** Over everything while the hand is taken: a drag moves what lies under it. */
export function HandLayer({ zooming }: { readonly zooming: Zooming }) {
  if (!zooming.hand) return null;
  return (
    <div
      style={{ position: "absolute", inset: 0, zIndex: 6, cursor: "grab", touchAction: "none" }}
      onPointerDown={zooming.grab}
      data-testid="hand"
    />
  );
}
