import { defaultRangeExtractor, useVirtualizer, type Virtualizer } from "@tanstack/react-virtual";
import { type RefObject, useCallback, useMemo } from "react";

interface RowsSeen {
  readonly scroller: RefObject<HTMLElement | null>;
  /** Of each row, with the gap after it. The same array while nothing changed. */
  readonly heightsPx: readonly number[];
  /** What stands over the rows in the scroller. */
  readonly topPx: number;
  /** Rows that stay wherever the list is scrolled to: where the focus is, and what is being dragged. */
  readonly kept: readonly number[];
}

/** Of hundreds of rows only those that are near the screen. */
export function useRowsSeen({ scroller, heightsPx, topPx, kept }: RowsSeen): Virtualizer<HTMLElement, Element> {
  const keptNow = kept.join();
  const virtual = useVirtualizer<HTMLElement, Element>({
    count: heightsPx.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => heightsPx[i]!,
    scrollMargin: topPx,
    overscan: 3,
    useFlushSync: false,
    rangeExtractor: useCallback(
      (range: Parameters<typeof defaultRangeExtractor>[0]) => {
        const also = keptNow === "" ? [] : keptNow.split(",").map(Number);
        const there = also.filter((i) => i >= 0 && i < range.count);
        return [...new Set([...defaultRangeExtractor(range), ...there])].sort((a, b) => a - b);
      },
      [keptNow],
    ),
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: other rows have other heights, and the estimates go with them
  useMemo(() => virtual.measure(), [heightsPx, virtual]);
  return virtual;
}
