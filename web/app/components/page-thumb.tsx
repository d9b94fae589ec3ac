import { memo } from "react";
import type { PlacedPage } from "#core/document";
import { seenBox } from "#core/lab";
import { SeenPage } from "./clipped-page.tsx";

interface PageThumbProps {
  readonly page: PlacedPage;
  /** CSS pixels for one mm. */
  readonly scale: number;
}

/** A small page, one of many: painted when its turn comes. */
export const PageThumb = memo(function PageThumb({ page, scale }: PageThumbProps) {
  const box = seenBox(page.format);
  return (
    <div
      style={{
        position: "relative",
        background: "white",
        width: box.w * scale,
        height: box.h * scale,
        overflow: "hidden",
      }}
    >
      <SeenPage page={page} scale={scale} box={box} patient />
    </div>
  );
});
