import { type RefObject, useEffect, useState } from "react";

/** How large an element is, in CSS pixels; nothing before it is there. */
export function useRoom(of: RefObject<HTMLElement | null>): { readonly w: number; readonly h: number } {
  const [room, setRoom] = useState({ w: 0, h: 0 });
  useEffect(() => {
    const element = of.current;
    if (!element) return;
    const look = () => setRoom({ w: element.clientWidth, h: element.clientHeight });
    const watch = new ResizeObserver(look);
    watch.observe(element);
    look();
    return () => watch.disconnect();
  }, [of]);
  return room;
}
