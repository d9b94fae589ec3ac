import { type PointerEvent, type RefObject, useState } from "react";
import { createStore, type StoreApi } from "zustand";

/** In CSS pixels of the window. */
export interface LassoRect {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

interface LassoTask {
  readonly area: RefObject<HTMLElement | null>;
  /** What can be chosen, by the data attribute that has its id. */
  readonly of: "photo" | "tile";
  readonly onHit: (ids: string[], held: { readonly more: boolean }) => void;
}

/** The box while it is being drawn: a store, since only the box itself follows the hand. */
export type LassoBoxes = StoreApi<LassoRect | undefined>;

/** A box drawn from bare ground chooses what it touches. */
export function useLasso({ area: areaRef, of, onHit }: LassoTask) {
  const [selector, ground] = [`[data-${of}]`, `[data-${of}], input, button, a, [role="separator"]`];
  const [box] = useState<LassoBoxes>(() => createStore<LassoRect | undefined>(() => undefined));
  const begin = (e: PointerEvent<HTMLElement>) => {
    const onThing = e.target instanceof Element && e.target.closest(ground);
    const area = areaRef.current;
    if (e.button !== 0 || onThing || !area || e.nativeEvent.offsetX > area.clientWidth) return;
    const start = { x: e.clientX, y: e.clientY };
    const rectTo = (ev: globalThis.PointerEvent) => ({
      left: Math.min(start.x, ev.clientX),
      top: Math.min(start.y, ev.clientY),
      width: Math.abs(ev.clientX - start.x),
      height: Math.abs(ev.clientY - start.y),
    });
    const move = (ev: globalThis.PointerEvent) => box.setState(rectTo(ev), true);
    const end = (ev: globalThis.PointerEvent) => {
      window.removeEventListener("pointermove", move);
      window.removeEventListener("pointerup", end);
      box.setState(undefined, true);
      const r = rectTo(ev);
      if (r.width < 4 && r.height < 4) return;
      const hit = [...area.querySelectorAll<HTMLElement>(selector)].filter((el) => {
        const b = el.getBoundingClientRect();
        return b.right > r.left && b.left < r.left + r.width && b.bottom > r.top && b.top < r.top + r.height;
      });
      onHit(
        hit.map((el) => el.dataset[of]!),
        { more: ev.shiftKey || ev.ctrlKey || ev.metaKey },
      );
    };
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", end);
  };
  return { box, begin };
}
