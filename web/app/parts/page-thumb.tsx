import { memo, useEffect, useRef, useState } from "react";
import type { Page } from "#core/document";
import { type PageFormat, seenBox } from "#core/lab";
import { SeenPage } from "./seen-page.tsx";

interface PageThumbProps {
  readonly page: Page;
  readonly format: PageFormat;
  /** CSS pixels for one mm. */
  readonly scale: number;
}

/** A small page. Painted when it comes near the screen: a long row has more pages than are ever seen at once. */
export const PageThumb = memo(function PageThumb({ page, format, scale }: PageThumbProps) {
  const at = useRef<HTMLDivElement>(null);
  const [near, setNear] = useState(false);
  useEffect(() => {
    if (!at.current) return;
    const watch = new IntersectionObserver(([seen]) => setNear(seen?.isIntersecting === true), {
      rootMargin: "300px 0px",
    });
    watch.observe(at.current);
    return () => watch.disconnect();
  }, []);
  const box = seenBox(format);
  return (
    <div
      ref={at}
      style={{
        position: "relative",
        background: "white",
        width: box.w * scale,
        height: box.h * scale,
        overflow: "hidden",
      }}
    >
      {near && <SeenPage page={page} format={format} scale={scale} box={box} />}
    </div>
  );
});
