import type { PlacedPage } from "#core/document";
import type { Rect } from "#core/geometry";
import { bleedBox } from "#core/lab";
import { PageCanvas } from "./page-canvas.tsx";

interface SeenPageProps {
  readonly page: PlacedPage;
  readonly scale: number;
  /** What of the page shows, in mm: up to a fold, or up to the trim. */
  readonly box: Rect;
  /** What of that is in sight and painted, where it is too large for the window. */
  readonly seen?: Rect;
  readonly moving?: boolean;
  readonly patient?: boolean;
  readonly without?: string | undefined;
}

/** A page cut off where a fold or the trim ends it. Fills what it stands in. */
export function SeenPage({ box, seen = box, ...page }: SeenPageProps) {
  const { scale } = page;
  const painted = seen === box ? bleedBox(page.page.format) : seen;
  return (
    <div style={{ position: "absolute", inset: 0, overflow: "hidden" }}>
      <div
        style={{
          position: "absolute",
          left: (painted.x - box.x) * scale,
          top: (painted.y - box.y) * scale,
          width: painted.w * scale,
          height: painted.h * scale,
        }}
      >
        <PageCanvas {...page} {...(seen === box ? {} : { box: seen })} />
      </div>
    </div>
  );
}
