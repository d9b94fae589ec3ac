import { type RefCallback, useCallback, useState } from "react";
import type { Size } from "#core/geometry";

/** The size of an element in CSS pixels, kept up to date; nothing until it is on screen. */
export function useSizeOf(): readonly [RefCallback<HTMLElement>, Size | undefined] {
  const [size, setSize] = useState<Size>();
  const ref = useCallback((element: HTMLElement | null) => {
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => {
      const box = entry?.contentRect;
      if (box)
        setSize((old) => (old && old.w === box.width && old.h === box.height ? old : { w: box.width, h: box.height }));
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [ref, size];
}

/** One ref for two that want the same element; both are stable, and so is it. */
export function useMergedRefs(
  first: RefCallback<HTMLElement>,
  second: (element: HTMLElement | null) => void,
): RefCallback<HTMLElement> {
  return useCallback(
    (element: HTMLElement | null) => {
      const end = first(element);
      second(element);
      return () => {
        end?.();
        second(null);
      };
    },
    [first, second],
  );
}
