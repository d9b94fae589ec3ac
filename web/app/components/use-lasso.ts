import { type PointerEvent, type RefObject, useState } from "react";

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

/** A box drawn from bare ground chooses what it touches. */
export function useLasso({ area: areaRef, of, onHit }: LassoTask) {
  const [selector, ground] = [`[data-${of}]`, `[data-${of}], input, button, a, [role="separator"]`];
  const [box, setBox] = useState<LassoRect>();
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
    const move = (ev: globalThis.PointerEvent) => setBox(rectTo(ev));
    const end = (ev: globalThis.PointerEvent) => {
      window.removeEventListener("pointermove", move);
      window.removeEventListener("pointerup", end);
      setBox(undefined);
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
