import UTIF from "utif2";
import { colourConversion, isSrgb, samplesOf, tiffTrouble } from "#core/files";
import { type DeepPixels, widened } from "#core/pixels";

interface TiffPage {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
  readonly [tag: `t${number}`]: ArrayLike<number> | undefined;
}

/** The largest picture of a TIFF file, as stored: its orientation is left to the caller. Rejects for damaged files. */
function largestPage(bytes: Uint8Array<ArrayBuffer>): TiffPage {
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
  return page as unknown as TiffPage;
}

/** Rows whose colours are converted at one time. */
const convertedPixels = 1 << 20;

/** Eight bits a channel. Where the file has colours of its own they are brought to Display P3, which holds more than sRGB. */
export function decodeTiff(bytes: Uint8Array<ArrayBuffer>): ImageData {
  const page = largestPage(bytes);
  const data = new Uint8ClampedArray(UTIF.toRGBA8(page as unknown as UTIF.IFD));
  const profile = profileOf(page);
  const convert = profile && !isSrgb(profile) ? colourConversion(profile, "displayP3") : undefined;
  if (!convert) return new ImageData(data, page.width, page.height);
  for (let from = 0; from < data.length; from += 4 * convertedPixels) {
    const part = data.subarray(from, from + 4 * convertedPixels);
    const rgb = widened(part);
    convert(rgb);
    for (let i = 0, o = 0; i < rgb.length; i += 3, o += 4) {
      part[o] = rgb[i]! / 257;
      part[o + 1] = rgb[i + 1]! / 257;
      part[o + 2] = rgb[i + 2]! / 257;
    }
  }
  return new ImageData(data, page.width, page.height, { colorSpace: "display-p3" });
}

const grey = 1;
const rgb = 2;
const uncompressed = [1, 5, 8, 32_773, 32_946];

/** All sixteen bits, in the file's own colours; undefined where the file has fewer, or is no plain picture in grey or in red, green, blue. */
export function decodeDeepTiff(
  bytes: Uint8Array<ArrayBuffer>,
): { readonly pixels: DeepPixels; readonly profile: Uint8Array | undefined } | undefined {
  const page = largestPage(bytes);
  const [bits, meaning, samples, planes, format, packing] = [258, 262, 277, 284, 339, 259].map(
    (tag) => page[`t${tag}`]?.[0],
  );
  const channels = samples ?? 1;
  const isPlain = (planes ?? 1) === 1 && (format ?? 1) === 1 && uncompressed.includes(packing ?? 1);
  if (bits !== 16 || !isPlain || !((meaning === rgb && channels === 3) || (meaning === grey && channels === 1)))
    return undefined;
  const all = samplesOf(page.data);
  const { width, height } = page;
  if (all.length < channels * width * height) return undefined;
  const data = channels === 3 ? all : new Uint16Array(3 * all.length).map((_, i) => all[Math.floor(i / 3)]!);
  return { pixels: { data, width, height }, profile: profileOf(page) };
}

function profileOf(page: TiffPage): Uint8Array | undefined {
  const tag = page.t34675;
  return tag && Uint8Array.from(tag);
}
