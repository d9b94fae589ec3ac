import { isSrgb, jpegProfile } from "#core/files";
import { type Photo, sniffPicture, turnsSideways } from "#core/photo";
import { type Decoded, decode } from "./decode.ts";
import { readExif } from "./exif.ts";

/** A JPEG's EXIF stands at its head, within this much; a WebP's behind the picture. */
const headBytes = 262_144;

/** Decodes a photo of the library at about `longPx`; what is known of it saves looking twice. */
export async function decodeOriginal(photo: Photo, original: Blob, longPx: number): Promise<Decoded> {
  const whole = photo.type === "image/webp";
  const bytes = new Uint8Array(await (whole ? original : original.slice(0, headBytes)).arrayBuffer());
  const kind = sniffPicture(bytes);
  const { orientation } = await readExif(bytes, kind);
  const { widthPx, heightPx } = photo;
  const stored = turnsSideways(orientation) ? { widthPx: heightPx, heightPx: widthPx } : { widthPx, heightPx };
  const profile = kind === "jpeg" ? jpegProfile(bytes) : undefined;
  return decode(original, { kind, orientation, stored, longPx, ownProfile: profile !== undefined && !isSrgb(profile) });
}
