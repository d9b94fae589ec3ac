import type { Tone } from "./key.ts";

/** Tones that come with the program, by name. */
export const namedTones = {
  grey: { grey: [0.3, 0.59, 0.11] },
  deepGrey: { grey: [0.55, 0.35, 0.1], contrast: 0.45 },
  sepia: { grey: [0.35, 0.5, 0.15], tint: { colour: "#8b6f4e", amount: 0.8 } },
  blueprint: { grey: [0.3, 0.5, 0.2], tint: { colour: "#5f7d94", amount: 0.8 } },
  pale: { strength: 0.45 },
  soft: { contrast: -0.3, saturation: -0.25, dark: 0.3 },
  vivid: { contrast: 0.25, saturation: 0.25 },
  warm: { warmth: 0.45 },
  cool: { warmth: -0.45 },
} as const satisfies Readonly<Record<string, Tone>>;

export type ToneName = keyof typeof namedTones;
