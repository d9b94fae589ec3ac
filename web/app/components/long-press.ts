import { useEffect } from "react";

/** Longer than browsers wait that open a menu of their own accord, so that theirs comes first. */
const heldMs = 650;
const tremblePx = 8;

/**
 * A finger that rests opens the menu that a right click opens, on browsers that do not say so themselves. What the finger has taken hold of by then is let go,
 * as long as it has not been moved.
 */
export function useLongPress(): void {
  useEffect(() => {
    let held: { readonly id: number; readonly x: number; readonly y: number; readonly timer: number } | undefined;
    const letGo = () => {
      if (held) clearTimeout(held.timer);
      held = undefined;
    };
    const press = (e: PointerEvent) => {
      letGo();
      if (e.pointerType !== "touch" || !e.isPrimary) return;
      const { target, clientX, clientY } = e;
      const open = () => {
        letGo();
        // Whoever drags listens for this.
        document.dispatchEvent(new Event("touchcancel", { bubbles: true }));
        target?.dispatchEvent(new MouseEvent("contextmenu", { bubbles: true, cancelable: true, clientX, clientY }));
      };
      held = { id: e.pointerId, x: clientX, y: clientY, timer: window.setTimeout(open, heldMs) };
    };
    const move = (e: PointerEvent) => {
      if (held && e.pointerId === held.id && Math.hypot(e.clientX - held.x, e.clientY - held.y) > tremblePx) letGo();
    };
    const listeners = [
      ["pointerdown", press],
      ["pointermove", move],
      ["pointerup", letGo],
      ["pointercancel", letGo],
      ["contextmenu", letGo],
      ["scroll", letGo],
    ] as const;
    for (const [name, hear] of listeners) document.addEventListener(name, hear as EventListener, true);
    return () => {
      letGo();
      for (const [name, hear] of listeners) document.removeEventListener(name, hear as EventListener, true);
    };
  }, []);
}
