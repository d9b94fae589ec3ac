import { memo } from "react";
import type { Page } from "#core/document";
import { type PageFormat, seenBox } from "#core/lab";
import { SeenPage } from "./clipped-page.tsx";

interface PageThumbProps {
  readonly page: Page;
  readonly format: PageFormat;
  /** CSS pixels for one mm. */
  readonly scale: number;
}

/** A small page, one of many: painted when its turn comes. */
export const PageThumb = memo(function PageThumb({ page, format, scale }: PageThumbProps) {
  const box = seenBox(format);
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
      <SeenPage page={page} format={format} scale={scale} box={box} patient />
    </div>
  );
});
