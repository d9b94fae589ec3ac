import type { z } from "zod";
import type { toneSchema } from "./schema/tone.ts";

export type Tone = z.infer<typeof toneSchema>;

const neutral: Required<Pick<Tone, "exposure" | "contrast" | "dark" | "light" | "warmth" | "saturation" | "strength">> =
  {
    exposure: 0,
    contrast: 0,
    dark: 0,
    light: 0,
    warmth: 0,
    saturation: 0,
    strength: 1,
  };

/** Without what changes nothing; undefined where nothing is left. */
export function tidyTone(tone: Tone): Tone | undefined {
  const left = Object.entries(tone).filter(([key, value]) => {
    if (value === undefined) return false;
    if (key === "tint") return tone.tint!.amount > 0;
    return value !== neutral[key as keyof typeof neutral];
  });
  return left.length === 0 ? undefined : (Object.fromEntries(left.sort(([a], [b]) => (a < b ? -1 : 1))) as Tone);
}

/** The same for tones that do the same. */
export const toneKey = (tone: Tone | undefined): string => (tone ? JSON.stringify(tidyTone(tone) ?? {}) : "");
