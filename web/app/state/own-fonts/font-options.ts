import { useStore } from "zustand";
import { offeredFonts } from "#core/words";
import { useServices } from "../../services.ts";

/** Fonts to choose from by name, one's own first; also the one in use, whatever it is. */
export function useFontOptions(used: string | undefined): readonly (readonly [id: string, name: string])[] {
  const { fonts, ownFonts } = useServices();
  const own = useStore(ownFonts.state, (s) => s.fonts).filter((f) => !f.hidden);
  const offered = [...own, ...offeredFonts].map((f) => [f.id, f.name] as const);
  return used === undefined || offered.some(([id]) => id === used)
    ? offered
    : [[used, fonts.font(used).name], ...offered];
}
