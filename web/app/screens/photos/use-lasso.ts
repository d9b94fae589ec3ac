import { type PointerEvent, type RefObject, useState } from "react";

/** A box drawn from bare ground chooses the photos it touches. */
export function useLasso(scroller: RefObject<HTMLDivElement | null>, onHit: (ids: string[]) => void) {
  const [box, setBox] = useState<{ left: number; top: number; width: number; height: number }>();
  const begin = (e: PointerEvent<HTMLElement>) => {
    const onPhoto = e.target instanceof Element && e.target.closest("[data-photo], input, button");
    const area = scroller.current;
    if (e.button !== 0 || onPhoto || !area || e.nativeEvent.offsetX > area.clientWidth) return;
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
      const hit = [...area.querySelectorAll<HTMLElement>("[data-photo]")].filter((el) => {
        const b = el.getBoundingClientRect();
        return b.right > r.left && b.left < r.left + r.width && b.bottom > r.top && b.top < r.top + r.height;
      });
      onHit(hit.map((el) => el.dataset.photo!));
    };
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", end);
  };
  return { box, begin };
}
