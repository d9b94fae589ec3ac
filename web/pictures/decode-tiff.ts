import UTIF from "utif2";
import { tiffTrouble } from "#core/files";

/** The largest picture of a TIFF file, as stored: its orientation is left to the caller. Rejects for damaged files. */
export function decodeTiff(bytes: Uint8Array<ArrayBuffer>): ImageData {
  const trouble = tiffTrouble(bytes);
  if (trouble) throw new Error(trouble);
  const buffer = bytes.byteLength === bytes.buffer.byteLength ? bytes.buffer : bytes.slice().buffer;
  const pages = UTIF.decode(buffer).filter((p) => p.t256 && p.t257);
  const area = (p: (typeof pages)[number]) => Number((p.t256 as number[])[0]) * Number((p.t257 as number[])[0]);
  const page = pages.reduce<(typeof pages)[number] | undefined>(
    (best, p) => (best && area(best) >= area(p) ? best : p),
    undefined,
  );
  if (!page) throw new Error("no picture in the TIFF file");
  UTIF.decodeImage(buffer, page);
  return new ImageData(new Uint8ClampedArray(UTIF.toRGBA8(page)), page.width, page.height);
}
