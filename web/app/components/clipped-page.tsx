import type { PlacedPage } from "#core/document";
import type { Rect } from "#core/geometry";
import { bleedBox } from "#core/lab";
import { PageCanvas } from "./page-canvas.tsx";

interface SeenPageProps {
  readonly page: PlacedPage;
  readonly scale: number;
  /** What of the page shows, in mm: up to a fold, or up to the trim. */
  readonly box: Rect;
  readonly moving?: boolean;
  readonly patient?: boolean;
  readonly without?: string | undefined;
}

/** A page cut off where a fold or the trim ends it. Fills what it stands in. */
export function SeenPage({ box, ...page }: SeenPageProps) {
  const whole = bleedBox(page.page.format);
  const { scale } = page;
  return (
    <div style={{ position: "absolute", inset: 0, overflow: "hidden" }}>
      <div
        style={{
          position: "absolute",
          left: (whole.x - box.x) * scale,
          top: (whole.y - box.y) * scale,
          width: whole.w * scale,
          height: whole.h * scale,
        }}
      >
        <PageCanvas {...page} />
      </div>
    </div>
  );
}
