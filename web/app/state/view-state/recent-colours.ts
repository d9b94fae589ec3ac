import { createStore } from "zustand/vanilla";
import { type Colour, parseColour } from "#core/colour";

const key = "tessip-colours";
const most = 8;

function remembered(): readonly Colour[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? "[]");
    return Array.isArray(kept) ? kept.flatMap((c) => parseColour(String(c)) ?? []).slice(0, most) : [];
  } catch {
    return [];
  }
}

/** Colours of one's own that were used lately in this browser, the latest first. */
export const recentColours = createStore<readonly Colour[]>(remembered);

export function rememberColour(colour: Colour): void {
  recentColours.setState((now) => [colour, ...now.filter((c) => c !== colour)].slice(0, most), true);
  try {
    localStorage.setItem(key, JSON.stringify(recentColours.getState()));
  } catch {
    // Without room for it, it is remembered until the window is closed.
  }
}
