import exifr from "exifr";
import { webpExif } from "#core/files";
import { type Orientation, orientationOf, type PictureKind, takenAtFromExif } from "#core/photo";

export interface ExifFacts {
  readonly orientation: Orientation;
  readonly takenAt: string | undefined;
  readonly caption: string;
}

const nothing: ExifFacts = { orientation: 1, takenAt: undefined, caption: "" };

/** What a whole file says of itself. Metadata is a hint: a file whose EXIF is broken is still a photo. */
export async function readExif(bytes: Uint8Array, kind: PictureKind): Promise<ExifFacts> {
  if (kind === "gif" || kind === "bmp" || kind === "unknown") return nothing;
  const from = kind === "webp" ? webpExif(bytes) : bytes;
  if (!from) return nothing;
  const wanted = { tiff: true, exif: true, gps: false, xmp: false, translateValues: false, reviveValues: false };
  const tags: Record<string, unknown> | undefined = await exifr.parse(from, wanted).catch(() => undefined);
  const caption = tags?.ImageDescription;
  return {
    orientation: orientationOf(tags?.Orientation),
    takenAt: takenAtFromExif(tags?.DateTimeOriginal ?? tags?.CreateDate),
    caption: typeof caption === "string" ? caption.trim().slice(0, 2000) : "",
  };
}
