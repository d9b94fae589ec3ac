import subsetUrl from "harfbuzzjs/dist/harfbuzz-subset.wasm?url";
import { fontTable, fontTables } from "#core/files";

/** What of HarfBuzz's C interface cutting down a font takes (hb-subset.h). */
interface Subsetter {
  readonly memory: WebAssembly.Memory;
  _initialize?(): void;
  malloc(bytes: number): number;
  free(at: number): void;
  hb_blob_create(at: number, bytes: number, mode: number, data: number, destroy: number): number;
  hb_blob_destroy(blob: number): void;
  hb_blob_get_data(blob: number, length: number): number;
  hb_blob_get_length(blob: number): number;
  hb_face_create(blob: number, index: number): number;
  hb_face_destroy(face: number): void;
  hb_face_reference_blob(face: number): number;
  hb_set_add(set: number, value: number): void;
  hb_subset_input_create_or_fail(): number;
  hb_subset_input_destroy(input: number): void;
  hb_subset_input_glyph_set(input: number): number;
  hb_subset_input_set_flags(input: number, flags: number): void;
  hb_subset_or_fail(face: number, input: number): number;
}

const retainGlyphNumbers = 2;
const readOnly = 1;

let loading: Promise<Subsetter> | undefined;

const load = async (): Promise<Subsetter> => {
  const bytes = await (await fetch(subsetUrl)).arrayBuffer();
  const { instance } = await WebAssembly.instantiate(bytes);
  const hb = instance.exports as unknown as Subsetter;
  hb._initialize?.();
  return hb;
};

/**
 * The PostScript outlines (CFF) of these glyphs of a font, all under the numbers that they had. Of a font that cannot be cut
 * down all of them.
 */
export async function cffPart(sfnt: Uint8Array, glyphs: Iterable<number>): Promise<Uint8Array<ArrayBuffer>> {
  loading ??= load();
  const hb = await loading;
  const at = hb.malloc(sfnt.length);
  new Uint8Array(hb.memory.buffer).set(sfnt, at);
  const blob = hb.hb_blob_create(at, sfnt.length, readOnly, 0, 0);
  const face = hb.hb_face_create(blob, 0);
  const input = hb.hb_subset_input_create_or_fail();
  const wanted = hb.hb_subset_input_glyph_set(input);
  for (const g of glyphs) hb.hb_set_add(wanted, g);
  hb.hb_subset_input_set_flags(input, retainGlyphNumbers);
  const part = hb.hb_subset_or_fail(face, input);
  let cut: Uint8Array | undefined;
  if (part !== 0) {
    const made = hb.hb_face_reference_blob(part);
    const from = hb.hb_blob_get_data(made, 0);
    cut = new Uint8Array(hb.memory.buffer).slice(from, from + hb.hb_blob_get_length(made));
    hb.hb_blob_destroy(made);
    hb.hb_face_destroy(part);
  }
  hb.hb_subset_input_destroy(input);
  hb.hb_face_destroy(face);
  hb.hb_blob_destroy(blob);
  hb.free(at);
  return Uint8Array.from(fontTable(fontTables(cut ?? sfnt), "CFF "));
}
