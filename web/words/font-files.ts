import { fontUrls } from "./font-urls.ts";
import { sfntOf } from "./woff.ts";

/** A font file as it goes into others, with what each of its glyphs stands for. */
export interface FontFile {
  readonly sfnt: Uint8Array<ArrayBuffer>;
  readonly texts: ReadonlyMap<number, string>;
}

const known = new Map<string, Promise<readonly FontFile[]>>();

/** The files of a face, in the order in which its glyphs name them. */
export function fontFilesOf(key: string): Promise<readonly FontFile[]> {
  const coming =
    known.get(key) ??
    Promise.all(
      (fontUrls.get(key) ?? []).map(async (url) => {
        // HarfBuzz starts up as it is imported; a worker that waited for that would miss what it is told meanwhile.
        const { glyphTexts } = await import("./harfbuzz-face.ts");
        const sfnt = await sfntOf(new Uint8Array(await (await fetch(url)).arrayBuffer()));
        return { sfnt, texts: glyphTexts(sfnt) };
      }),
    );
  known.set(key, coming);
  return coming;
}
