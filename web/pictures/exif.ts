import exifr from "exifr";
import { heifExif, webpExif } from "#core/files";
import {
  type Orientation,
  offsetFromTag,
  orientationOf,
  type PictureKind,
  takenAtFromTag,
  writtenByMachine,
} from "#core/photo";

export interface ExifFacts {
  readonly orientation: Orientation;
  readonly taken: { readonly at: string; readonly from: "exif" | "xmp" } | undefined;
  readonly offsetMinutes: number | null;
  readonly caption: string;
  readonly camera: string;
}

const nothing: ExifFacts = { orientation: 1, taken: undefined, offsetMinutes: null, caption: "", camera: "" };

const wanted = {
  tiff: true,
  exif: true,
  gps: false,
  xmp: true,
  iptc: true,
  mergeOutput: false,
  translateValues: false,
  reviveValues: false,
} as const;

type Tags = Readonly<Record<string, unknown>>;

/** What a whole file says of itself. Metadata is a hint: a file whose EXIF is broken is still a photo. */
export async function readExif(bytes: Uint8Array, kind: PictureKind): Promise<ExifFacts> {
  if (kind === "gif" || kind === "bmp" || kind === "unknown") return nothing;
  const heif = kind === "heic" || kind === "avif";
  const from = kind === "webp" ? webpExif(bytes) : heif ? heifExif(bytes) : bytes;
  if (!from) return nothing;
  const blocks: Record<string, Tags> | undefined = await exifr.parse(from, wanted).catch(() => undefined);
  if (!blocks) return nothing;
  const { ifd0 = {}, exif = {}, iptc = {} } = blocks;
  // XMP stands in a block for each of its vocabularies; which one does not matter here.
  const xmp: Tags = Object.assign({}, ...Object.values(blocks));
  const shot =
    takenAtFromTag(exif.DateTimeOriginal, exif.SubSecTimeOriginal) ??
    takenAtFromTag(exif.CreateDate ?? exif.DateTimeDigitized, exif.SubSecTimeDigitized);
  const edited = shot ? undefined : (takenAtFromTag(xmp.DateCreated) ?? takenAtFromTag(xmp.CreateDate));
  const camera = [ifd0.Make, ifd0.Model]
    .filter((t) => typeof t === "string")
    .join(" ")
    .trim()
    .slice(0, 200);
  const captions = [ifd0.ImageDescription, iptc.Caption, xmp.description].map(textOf);
  return {
    orientation: orientationOf(ifd0.Orientation),
    taken: shot ? { at: shot, from: "exif" } : edited ? { at: edited, from: "xmp" } : undefined,
    offsetMinutes: offsetFromTag(exif.OffsetTimeOriginal ?? exif.OffsetTime),
    caption: captions.find((text) => text !== "" && !writtenByMachine(text, camera)) ?? "",
    camera,
  };
}

/** XMP gives a text in a language as an object. */
function textOf(tag: unknown): string {
  const text = typeof tag === "object" && tag !== null && "value" in tag ? tag.value : tag;
  return typeof text === "string" ? text.trim().slice(0, 2000) : "";
}
