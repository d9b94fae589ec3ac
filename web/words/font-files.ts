import type { FaceFile, FontShelf } from "./font-shelf.ts";

/** A font file as it goes into others, with what each of its glyphs stands for. */
export interface FontFile extends FaceFile {
  readonly texts: ReadonlyMap<number, string>;
}

/** The files of a face, in the order in which its glyphs name them. */
export async function fontFilesOf(fonts: FontShelf, key: string): Promise<readonly FontFile[]> {
  // HarfBuzz starts up as it is imported; a worker that waited for that would miss what it is told meanwhile.
  const [{ glyphTexts }, files] = await Promise.all([import("./harfbuzz-face.ts"), fonts.files(key)]);
  return files.map((f) => ({ ...f, texts: glyphTexts(f.sfnt) }));
}
