import { faceKey } from "#core/words";
import type { FontShelf } from "./font-shelf.ts";
import { fontUrls } from "./font-urls.ts";

const shown = new Set<string>();

/** An own font comes from where it is kept. One that the browser will not have is shown in another. */
async function addFrom(fonts: FontShelf, key: string, name: string): Promise<void> {
  try {
    const [file] = await fonts.files(key);
    if (file) document.fonts.add(await new FontFace(name, file.sfnt).load());
  } catch {
    shown.delete(name);
  }
}

/** A name under which the page's own text can be set in a font; its file is fetched when that is first seen. */
export function sampleFamily(font: string, fonts: FontShelf): string {
  const name = `sample-${font}`;
  if (!shown.has(font)) {
    shown.add(font);
    const key = faceKey({ font, bold: false, italic: false });
    const [url] = fontUrls.get(key) ?? [];
    if (url) document.fonts.add(new FontFace(name, `url(${url})`));
    else void addFrom(fonts, key, name);
  }
  return name;
}
