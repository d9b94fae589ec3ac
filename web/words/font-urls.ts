import { faceKey, fontFamilies } from "#core/words";
import type { FontUrls } from "./font-shelf.ts";

/** Western letters first, then those with rarer marks. */
export const fontParts = ["latin", "latin-ext"] as const;

/** Every face of every font that comes along, by face key. */
export const faceKeys: readonly string[] = fontFamilies.flatMap((family) =>
  [false, ...(family.bold ? [true] : [])].flatMap((bold) =>
    [false, ...(family.italic ? [true] : [])].map((italic) => faceKey({ font: family.id, bold, italic })),
  ),
);

/** The file of a face as its package names it, and as it is served. */
export function fontFile(
  key: string,
  part: (typeof fontParts)[number],
): { readonly family: string; readonly file: string } {
  const [, family, weight, italic] = /^(.*)-(400|700)(-italic)?$/.exec(key)!;
  return { family: family!, file: `${family}-${part}-${weight}-${italic ? "italic" : "normal"}.woff` };
}

export const fontUrls: FontUrls = new Map(
  faceKeys.map((key) => [key, fontParts.map((part) => `/fonts/${fontFile(key, part).file}`)]),
);
