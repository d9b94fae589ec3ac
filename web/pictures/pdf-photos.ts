import {
  bareJpeg,
  JpegEncoder,
  jpegProfile,
  type PdfWriter,
  type Ref,
  readJpegFacts,
  refTo,
  srgbProfile,
} from "#core/files";
import { identity, type Matrix } from "#core/geometry";
import { orientationMatrix, sniffPicture } from "#core/photo";
import type { PrintOrder } from "../workers/jobs.ts";
import { readExif } from "./exif.ts";
import { SourcePixels, scaledTo } from "./paint-photo.ts";
import { pictureFor } from "./print-bands.ts";
import { openResampler } from "./resampler.ts";

type Original = PrintOrder["photos"][number];

export interface PdfPhoto {
  readonly ref: Ref;
  /** From the picture as it is stored to the picture as it should be seen. */
  readonly toUnit: Matrix;
}

/** Reading the next ones goes on beside what is done with this one; more would hold more of them in memory for little. */
const readAhead = 2;
const quality = { print: 95, small: 78 } as const;

/** Puts photos into a PDF, each once. `inOrder`: about as they will be asked for. */
export class PdfPhotos {
  readonly #to: PdfWriter;
  readonly #small: boolean;
  readonly #profiles = new Map<string, Ref>();
  readonly #known = new Map<string, PdfPhoto>();
  readonly #inOrder: readonly Original[];
  readonly #reading = new Map<string, Promise<Uint8Array<ArrayBuffer>>>();
  #next = 0;

  constructor(to: PdfWriter, small: boolean, inOrder: readonly Original[]) {
    this.#to = to;
    this.#small = small;
    this.#inOrder = inOrder;
  }

  get(photoId: string): PdfPhoto | undefined {
    return this.#known.get(photoId);
  }

  /** A JPEG goes in as it is, byte for byte; anything else, and everything in a small PDF, at the size that it is printed at. */
  async add(from: Original, longPx: number): Promise<void> {
    if (this.#known.has(from.photo.id)) return;
    const asItIs = this.#small ? undefined : await this.#asItIs(from);
    this.#known.set(from.photo.id, asItIs ?? (await this.#anew(from, longPx)));
  }

  /** The bytes of one, with the next ones on their way. */
  #read(from: Original): Promise<Uint8Array<ArrayBuffer>> {
    const own = this.#reading.get(from.photo.id) ?? bytesOf(from);
    this.#reading.delete(from.photo.id);
    while (this.#reading.size < readAhead && this.#next < this.#inOrder.length) {
      const later = this.#inOrder[this.#next]!;
      this.#next += 1;
      if (later.photo.id === from.photo.id || this.#known.has(later.photo.id)) continue;
      const coming = bytesOf(later);
      // Whoever asks for it hears why it failed.
      coming.catch(() => {});
      this.#reading.set(later.photo.id, coming);
    }
    return own;
  }

  async #asItIs(from: Original): Promise<PdfPhoto | undefined> {
    const bytes = await this.#read(from);
    if (sniffPicture(bytes) !== "jpeg") return undefined;
    try {
      const facts = readJpegFacts(bytes);
      if (facts.bits !== 8 || (facts.components !== 1 && facts.components !== 3)) return undefined;
      const { orientation } = await readExif(bytes, "jpeg");
      const space = this.#space(facts.components === 1 ? undefined : jpegProfile(bytes), facts.components);
      const size = `/Width ${facts.widthPx} /Height ${facts.heightPx} /BitsPerComponent 8`;
      const ref = this.#to.stream(
        `/Type /XObject /Subtype /Image ${size} /ColorSpace ${space} /Filter /DCTDecode`,
        bareJpeg(bytes),
      );
      return { ref, toUnit: orientationMatrix(orientation) };
    } catch {
      // Whatever is odd about it, the browser can decode it.
      return undefined;
    }
  }

  async #anew(from: Original, longPx: number): Promise<PdfPhoto> {
    const picture = await pictureFor(from, longPx);
    const share = Math.min(1, longPx / Math.max(picture.widthPx, picture.heightPx));
    const [w, h] = [
      Math.max(1, Math.round(picture.widthPx * share)),
      Math.max(1, Math.round(picture.heightPx * share)),
    ];
    const source = await SourcePixels.of(picture, "srgb");
    const canvas = scaledTo({ source, resampler: await openResampler(), colourSpace: "srgb" }, w, h);
    picture.close();
    const { data } = canvas.getContext("2d")!.getImageData(0, 0, w, h);
    const alpha = alphaOf(data);
    const encoder = new JpegEncoder({
      widthPx: w,
      heightPx: h,
      quality: this.#small ? quality.small : quality.print,
      chroma: this.#small ? "420" : "444",
      progressive: false,
      ppi: 300,
      profile: srgbProfile(),
    });
    const parts = [...encoder.addRows(data as Uint8ClampedArray), ...encoder.finish()];
    const size = `/Type /XObject /Subtype /Image /Width ${w} /Height ${h} /BitsPerComponent 8`;
    const mask = alpha && this.#to.stream(`${size} /ColorSpace /DeviceGray`, [alpha]);
    const masked = mask === undefined ? "" : `/SMask ${refTo(mask)}`;
    const ref = this.#to.stream(`${size} /ColorSpace ${this.#space(undefined, 3)} /Filter /DCTDecode ${masked}`, parts);
    return { ref, toUnit: identity };
  }

  /** The colours of a picture by its own profile, else by sRGB; each profile once. */
  #space(own: Uint8Array | undefined, components: number): string {
    if (components === 1) return "/DeviceGray";
    const profile = own ?? srgbProfile();
    const key = `${profile.length} ${profile.subarray(0, 400).join(",")}`;
    const ref = this.#profiles.get(key) ?? this.#to.stream("/N 3 /Alternate /DeviceRGB", [Uint8Array.from(profile)]);
    this.#profiles.set(key, ref);
    return `[/ICCBased ${refTo(ref)}]`;
  }
}

const bytesOf = async ({ original }: Original): Promise<Uint8Array<ArrayBuffer>> =>
  new Uint8Array(await original.arrayBuffer());

function alphaOf(rgba: ArrayLike<number>): Uint8Array<ArrayBuffer> | undefined {
  const alpha = new Uint8Array(rgba.length / 4);
  let clear = false;
  for (let i = 0; i < alpha.length; i += 1) {
    alpha[i] = rgba[4 * i + 3]!;
    clear ||= alpha[i] !== 255;
  }
  return clear ? alpha : undefined;
}
