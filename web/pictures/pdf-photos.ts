import {
  bareJpeg,
  greyProfile,
  JpegEncoder,
  joined,
  jpegProfile,
  type PdfWriter,
  PngFilter,
  profileSpace,
  type Ref,
  readJpegFacts,
  refTo,
  srgbProfile,
} from "#core/files";
import { identity, type Matrix } from "#core/geometry";
import { orientationMatrix, sniffPicture } from "#core/photo";
import { type PhotoStep, pictureKey } from "#core/scene";
import type { Tone } from "#core/tone";
import type { PdfOrder, PrintOrder } from "../workers/jobs.ts";
import { readExif } from "./exif.ts";
import { openResampler } from "./loops.ts";
import { scaledTo } from "./paint-photo.ts";
import { pixelsFor } from "./print-bands.ts";
import { ReadAhead } from "./read-ahead.ts";

type Original = PrintOrder["photos"][number];
/** One picture for all steps that draw the same photo in the same tone. */
type Drawn = Pick<PhotoStep, "photoId" | "tone">;

export interface PdfPhoto {
  readonly ref: Ref;
  /** From the picture as it is stored to the picture as it should be seen. */
  readonly toUnit: Matrix;
}

/** As many show whether a picture lets something through. */
const mostClearPx = 1200;
const quality = { print: 95, small: 78 } as const;
const image = ({ widthPx, heightPx }: { readonly widthPx: number; readonly heightPx: number }): string =>
  `/Type /XObject /Subtype /Image /Width ${widthPx} /Height ${heightPx} /BitsPerComponent 8`;

/** Puts photos into a PDF, each once. */
export class PdfPhotos {
  readonly #to: PdfWriter<Blob>;
  readonly #how: Pick<PdfOrder, "small" | "lossless">;
  readonly #profiles = new Map<string, Ref>();
  readonly #known = new Map<string, PdfPhoto>();
  readonly #longestPx = new Map<string, number>();
  /** Those that may go in as they are, in the order in which they are drawn. */
  readonly #asTheyAre = new Map<string, Blob>();
  #reading: ReadAhead | undefined;

  constructor(to: PdfWriter<Blob>, how: Pick<PdfOrder, "small" | "lossless">) {
    this.#to = to;
    this.#how = how;
  }

  get(step: Drawn): PdfPhoto | undefined {
    return this.#known.get(pictureKey(step));
  }

  /** Before any is added: that a photo is drawn somewhere with so many pixels along its longer side; of all these the most counts. */
  note(from: Original, step: Drawn, longPx: number): void {
    const key = pictureKey(step);
    if (this.#mayGoAsItIs(from, step)) this.#asTheyAre.set(from.photo.id, from.original);
    this.#longestPx.set(key, Math.max(longPx, this.#longestPx.get(key) ?? 0));
  }

  /** A JPEG goes in as it is, byte for byte; anything else, what has another tone, and everything in a small PDF, at the size that it is printed at. */
  async add(from: Original, step: Drawn): Promise<void> {
    const key = pictureKey(step);
    if (this.#known.has(key)) return;
    const asItIs = this.#mayGoAsItIs(from, step) ? await this.#asItIs(from) : undefined;
    this.#known.set(key, asItIs ?? (await this.#anew(from, step)));
  }

  /** Whether something shows through it. */
  async isClear(from: Original): Promise<boolean> {
    if (from.photo.type === "image/jpeg") return false;
    const { data } = await this.#decoded(from, mostClearPx, undefined);
    return alphaOf(data) !== undefined;
  }

  #mayGoAsItIs({ photo }: Original, { tone }: Drawn): boolean {
    return photo.type === "image/jpeg" && !this.#how.small && !tone;
  }

  async #asItIs(from: Original): Promise<PdfPhoto | undefined> {
    this.#reading ??= new ReadAhead([...this.#asTheyAre]);
    const bytes = await this.#reading.read(from.photo.id, from.original);
    if (sniffPicture(bytes) !== "jpeg") return undefined;
    try {
      const facts = readJpegFacts(bytes);
      if (facts.bits !== 8 || (facts.components !== 1 && facts.components !== 3)) return undefined;
      const { orientation } = await readExif(bytes, "jpeg");
      const space = this.#space(jpegProfile(bytes), facts.components);
      const entries = `${image(facts)} /ColorSpace ${space} /Filter /DCTDecode`;
      const ref = this.#to.stream(
        entries,
        bareJpeg(bytes).map((part) => storedPart(from.original, bytes, part) ?? part),
      );
      return { ref, toUnit: orientationMatrix(orientation) };
    } catch {
      // Whatever is odd about it, the browser can decode it.
      return undefined;
    }
  }

  async #anew(from: Original, step: Drawn): Promise<PdfPhoto> {
    const { small, lossless } = this.#how;
    const whole = lossless && !small && ["image/png", "image/tiff"].includes(from.photo.type);
    const longPx = whole
      ? Math.max(from.photo.widthPx, from.photo.heightPx)
      : (this.#longestPx.get(pictureKey(step)) ?? 1);
    const { data, size } = await this.#decoded(from, longPx, step.tone);
    const alpha = alphaOf(data);
    const mask = alpha && this.#to.packed(`${image(size)} /ColorSpace /DeviceGray`, alpha);
    const coded = pictureForPdf(size, whole, small);
    coded.add(data as Uint8ClampedArray);
    const ref = coded.put(this.#to, this.srgb(), mask);
    return { ref, toUnit: identity };
  }

  /** No larger than it is. */
  async #decoded(from: Original, longPx: number, tone: Tone | undefined) {
    const source = await pixelsFor(from, longPx, "srgb");
    const share = Math.min(1, longPx / Math.max(source.width, source.height));
    const size = {
      widthPx: Math.max(1, Math.round(source.width * share)),
      heightPx: Math.max(1, Math.round(source.height * share)),
    };
    const how = { source, resampler: openResampler(), colourSpace: "srgb", tone } as const;
    const canvas = scaledTo(how, size.widthPx, size.heightPx);
    source.close();
    return { size, data: canvas.getContext("2d")!.getImageData(0, 0, size.widthPx, size.heightPx).data };
  }

  /** The colour space of what was decoded here. */
  srgb(): string {
    return this.#space(undefined, 3);
  }

  /** The colours of a picture by its own profile where that is one for such pictures, else by sRGB; each profile once. */
  #space(own: Uint8Array | undefined, components: number): string {
    const [space, plain, alternate] =
      components === 1 ? ["GRAY", greyProfile(), "/DeviceGray"] : ["RGB ", srgbProfile(), "/DeviceRGB"];
    const profile = own && profileSpace(own) === space ? own : plain;
    const key = `${profile.length} ${profile.subarray(0, 400).join(",")}`;
    const entries = `/N ${components} /Alternate ${alternate}`;
    const ref = this.#profiles.get(key) ?? this.#to.packed(entries, Uint8Array.from(profile));
    this.#profiles.set(key, ref);
    return `[/ICCBased ${refTo(ref)}]`;
  }
}

/** A picture's rows on their way into a PDF: as a JPEG, or every bit of them. */
export function pictureForPdf(
  size: { readonly widthPx: number; readonly heightPx: number },
  lossless: boolean,
  small = false,
): { add(rgba: Uint8ClampedArray): void; put(to: PdfWriter<Blob>, space: string, mask?: Ref): Ref } {
  const parts: Uint8Array<ArrayBuffer>[] = [];
  const masked = (mask: Ref | undefined) => (mask === undefined ? "" : ` /SMask ${refTo(mask)}`);
  if (lossless) {
    const filter = new PngFilter(size.widthPx);
    const rows = `/DecodeParms << /Predictor 15 /Colors 3 /BitsPerComponent 8 /Columns ${size.widthPx} >>`;
    return {
      add: (rgba) => void parts.push(filter.rows(rgba)),
      put: (to, space, mask) => to.packed(`${image(size)} /ColorSpace ${space}${masked(mask)} ${rows}`, joined(parts)),
    };
  }
  const encoder = new JpegEncoder({
    ...size,
    quality: small ? quality.small : quality.print,
    chroma: small ? "420" : "444",
    progressive: false,
    ppi: 300,
    profile: srgbProfile(),
  });
  return {
    add: (rgba) => void parts.push(...encoder.addRows(rgba)),
    put: (to, space, mask) =>
      to.stream(`${image(size)} /ColorSpace ${space}${masked(mask)} /Filter /DCTDecode`, [
        ...parts,
        ...encoder.finish(),
      ]),
  };
}

/** Shorter ones are written as quickly as they are looked up. */
const leastStored = 16_384;

/** A part of a file's bytes as a part of the file, so that it need not be written again. */
function storedPart(original: Blob, bytes: Uint8Array, part: Uint8Array): Blob | undefined {
  if (part.buffer !== bytes.buffer || part.length < leastStored) return undefined;
  const from = part.byteOffset - bytes.byteOffset;
  return original.slice(from, from + part.length);
}

function alphaOf(rgba: ArrayLike<number>): Uint8Array<ArrayBuffer> | undefined {
  const alpha = new Uint8Array(rgba.length / 4);
  let clear = false;
  for (let i = 0; i < alpha.length; i += 1) {
    alpha[i] = rgba[4 * i + 3]!;
    clear ||= alpha[i] !== 255;
  }
  return clear ? alpha : undefined;
}
