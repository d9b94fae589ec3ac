import { faceKey, familyOf, fontFamilies, partsOf } from "#core/words";
import type { FontUrls } from "./font-shelf.ts";

/** Every face of every font that comes along, by face key. */
export const faceKeys: readonly string[] = fontFamilies.flatMap((family) =>
  [false, ...(family.bold ? [true] : [])].flatMap((bold) =>
    [false, ...(family.italic ? [true] : [])].map((italic) => faceKey({ font: family.id, bold, italic })),
  ),
);

/** The files of a face as its package names them, and as they are served. */
export function fontFiles(key: string): readonly { readonly family: string; readonly file: string }[] {
  const [, family, weight, italic] = /^(.*)-(400|700)(-italic)?$/.exec(key)!;
  return partsOf(familyOf(family!)!).map((part) => ({
    family: family!,
    file: `${family}-${part}-${weight}-${italic ? "italic" : "normal"}.woff`,
  }));
}

export const fontUrls: FontUrls = new Map(
  faceKeys.map((key) => [key, fontFiles(key).map(({ file }) => `/fonts/${file}`)]),
);
