import { faceKey } from "#core/words";
import { fontUrls } from "./font-urls.ts";

const shown = new Set<string>();

/** A name under which the page's own text can be set in a font; its file is fetched when that is first seen. */
export function sampleFamily(font: string): string {
  const name = `sample-${font}`;
  if (!shown.has(font)) {
    shown.add(font);
    const [url] = fontUrls.get(faceKey({ font, bold: false, italic: false })) ?? [];
    if (url) document.fonts.add(new FontFace(name, `url(${url})`));
  }
  return name;
}
