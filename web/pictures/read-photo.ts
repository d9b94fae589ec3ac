import { BrokenJpeg, hasEnd, pictureSize, readJpegFacts, tiffTrouble } from "#core/files";
import { contained } from "#core/fit";
import type { Size } from "#core/geometry";
import { mediaType, orientedSize, sniffPicture, takenAtFromName, wallClock } from "#core/photo";
import { keepOriginal } from "../storage/originals.ts";
import { sha256 } from "../storage/sha256.ts";
import type { PhotoJobs, ReadPhoto } from "../workers/jobs.ts";
import { type Decoded, decode } from "./decode.ts";
import { type ExifFacts, readExif } from "./exif.ts";
import { likenessOf } from "./likeness.ts";
import { previewLongPx } from "./preview-sizes.ts";

export type PhotoTrouble =
  | "emptyFile"
  | "notAPicture"
  | "svgAmongPhotos"
  | "tooManyPixels"
  | "damagedPicture"
  | "unreadableFile";

/** Sizes stand in front of pictures; those of HEIF in boxes that may be long. */
const sizeHeadBytes = 65_536;
/** Browsers hold no larger picture at once; only a JPEG can be read in a smaller size than its own. */
const mostPixels = 268_000_000;

class UnreadablePhoto extends Error {
  readonly code: PhotoTrouble;
  constructor(code: PhotoTrouble, message: string) {
    super(message);
    this.code = code;
  }
}

/** Everything the library wants to know of a file, and its small preview. */
export async function readPhoto(
  { file, name, modifiedAt, keep }: PhotoJobs["readPhoto"]["in"],
  alive: () => void = () => {},
): Promise<ReadPhoto> {
  if (file.size === 0) throw new UnreadablePhoto("emptyFile", name);
  const bytes = new Uint8Array(
    await file.arrayBuffer().catch((e: unknown) => {
      throw new UnreadablePhoto("unreadableFile", String(e));
    }),
  );
  const kind = sniffPicture(bytes.subarray(0, 32));
  if (kind === "unknown") throw new UnreadablePhoto(looksLikeSvg(bytes) ? "svgAmongPhotos" : "notAPicture", name);
  const says = pictureSize(bytes.subarray(0, sizeHeadBytes));
  const tiff = kind === "tiff" ? tiffTrouble(bytes) : undefined;
  if (tiff === "looping" || tiff === "claimsMore" || tiff === "notATiff" || tiff === "brokenStrip")
    throw new UnreadablePhoto("damagedPicture", tiff);
  if (tiff === "tooManyPixels" || (says && says.widthPx * says.heightPx > mostPixels))
    throw new UnreadablePhoto("tooManyPixels", name);
  const stored = kind === "jpeg" ? wholeJpeg(bytes) : undefined;
  const claims = stored ?? says;
  const exif = await readExif(bytes, kind);
  const options = {
    kind,
    orientation: exif.orientation,
    longPx: previewLongPx.small,
    ...(claims ? { stored: claims } : {}),
  };
  const picture = await decode(bytes, options, alive).catch((e: unknown) => {
    throw new UnreadablePhoto("damagedPicture", String(e));
  });
  try {
    const preview = await drawPreview(picture, previewLongPx.small);
    const { widthPx, heightPx } = stored ? orientedSize(exif.orientation, stored.widthPx, stored.heightPx) : picture;
    const hash = await sha256(bytes);
    if (keep) await keepOriginal(hash, bytes);
    return {
      facts: {
        name,
        type: mediaType[kind],
        sizeBytes: bytes.length,
        hash,
        widthPx,
        heightPx,
        ...takenOf(exif, name, modifiedAt),
        caption: exif.caption,
        camera: exif.camera,
        likeness: likenessOf(pixelsOf(preview)),
      },
      small: await encodePreview(preview, mediaType[kind]),
    };
  } finally {
    picture.close();
  }
}

const looksLikeSvg = (bytes: Uint8Array): boolean =>
  /^\ufeff?\s*(<\?xml|<!--|<!doctype svg|<svg)/i.test(new TextDecoder().decode(bytes.subarray(0, 200)));

/** EXIF, else XMP, else the file's name, else the file's own date, which is a guess. */
function takenOf(exif: ExifFacts, name: string, modifiedAt: number) {
  const { offsetMinutes } = exif;
  if (exif.taken) return { takenAt: exif.taken.at, takenFrom: exif.taken.from, offsetMinutes };
  const named = takenAtFromName(name);
  if (named) return { takenAt: named, takenFrom: "name", offsetMinutes: null } as const;
  const here = -new Date(modifiedAt).getTimezoneOffset();
  return { takenAt: wallClock(modifiedAt, here), takenFrom: "file", offsetMinutes: null } as const;
}

/** Browsers show what there is of a picture that was cut off; in print that would be a grey half. */
function wholeJpeg(bytes: Uint8Array): { widthPx: number; heightPx: number } {
  try {
    if (!hasEnd(bytes)) throw new BrokenJpeg("cutOff", bytes.length);
    const { widthPx, heightPx } = readJpegFacts(bytes);
    return { widthPx, heightPx };
  } catch (e) {
    throw new UnreadablePhoto("damagedPicture", String(e));
  }
}

/** In pixels; never larger than the picture. */
export function previewSize(of: Decoded, longPx: number): Size {
  const long = Math.min(longPx, Math.max(of.widthPx, of.heightPx));
  const fit = contained(of.widthPx / of.heightPx, { w: long, h: long });
  return { w: Math.max(1, Math.round(fit.w)), h: Math.max(1, Math.round(fit.h)) };
}

/** A decoded picture at preview size. */
async function drawPreview(from: Decoded, longPx: number): Promise<OffscreenCanvas> {
  const { w, h } = previewSize(from, longPx);
  const canvas = new OffscreenCanvas(w, h);
  // Not scaled by drawing: the browser would keep each scaled picture about for the next time.
  const scaled = await createImageBitmap(from.image, {
    resizeWidth: canvas.width,
    resizeHeight: canvas.height,
    resizeQuality: "high",
  });
  canvas.getContext("2d", { willReadFrequently: true })!.drawImage(scaled, 0, 0);
  scaled.close();
  return canvas;
}

const pixelsOf = (canvas: OffscreenCanvas): ImageData =>
  canvas.getContext("2d")!.getImageData(0, 0, canvas.width, canvas.height);

/** The canvas is empty afterwards: its pixels would otherwise lie about until the worker's memory is swept. */
export async function encodePreview(canvas: OffscreenCanvas, mediaTypeOfOriginal: string): Promise<Blob> {
  // WebP keeps transparency, but takes ten times as long to write as JPEG.
  const opaque = ["image/jpeg", "image/heic", "image/bmp"].includes(mediaTypeOfOriginal);
  const blob = await canvas.convertToBlob({ type: opaque ? "image/jpeg" : "image/webp", quality: 0.85 });
  canvas.width = 0;
  canvas.height = 0;
  return blob;
}
