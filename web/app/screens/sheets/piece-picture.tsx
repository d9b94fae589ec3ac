import { useMemo } from "react";
import { piecePage } from "#core/sheet-files";
import type { Want } from "#core/sheets";
import { PageCanvas } from "../../components/page-canvas.tsx";
import { useFacts } from "../../state/session/facts.ts";
import { useProject } from "../../state/session/hooks.ts";

interface PiecePictureProps {
  readonly want: Want;
  /** Of its longer side, in pixels of the screen. */
  readonly longPx: number;
}

/** A piece as it is cut, small. */
export function PiecePicture({ want, longPx }: PiecePictureProps) {
  const project = useProject((s) => s.project);
  const facts = useFacts();
  const piece = useMemo(() => piecePage(project, want, 0, (id) => facts.photo(id)?.takenAt), [project, want, facts]);
  if (!piece) return null;
  const { cut, page } = piece;
  const scale = longPx / Math.max(cut.w, cut.h);
  return (
    <div
      aria-hidden
      style={{ position: "relative", width: cut.w * scale, height: cut.h * scale, flexShrink: 0, background: "white" }}
    >
      <PageCanvas page={page} scale={scale} box={cut} />
    </div>
  );
}
