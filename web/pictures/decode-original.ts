import exifr from "exifr";
import { orientationOf, type Photo, sniffPicture, turnsSideways } from "#core/photo";
import { type Decoded, decode } from "./decode.ts";

/** EXIF stands at the head of a file; this much of it is enough to find the orientation. */
const headBytes = 262_144;

/** Decodes a photo of the library at about `longPx`; what is known of it saves looking twice. */
export async function decodeOriginal(photo: Photo, original: Blob, longPx: number): Promise<Decoded> {
  const head = new Uint8Array(await original.slice(0, headBytes).arrayBuffer());
  const kind = sniffPicture(head);
  const tagged = kind === "jpeg" || kind === "webp" ? await exifr.orientation(head).catch(() => 1) : 1;
  const orientation = orientationOf(tagged);
  const { widthPx, heightPx } = photo;
  const stored = turnsSideways(orientation) ? { widthPx: heightPx, heightPx: widthPx } : { widthPx, heightPx };
  return decode(original, { kind, orientation, stored, longPx });
}
