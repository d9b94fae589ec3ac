import { type RefObject, useEffect } from "react";

const places = new Map<string, number>();

/** A drawer that is opened again stands where it was left. */
export function useScrollKept(ref: RefObject<HTMLElement | null>, name: string): void {
  useEffect(() => {
    const at = ref.current;
    if (!at) return;
    at.scrollLeft = places.get(name) ?? 0;
    const note = () => places.set(name, at.scrollLeft);
    at.addEventListener("scroll", note, { passive: true });
    return () => at.removeEventListener("scroll", note);
  }, [ref, name]);
}
