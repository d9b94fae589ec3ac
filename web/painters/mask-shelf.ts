import { type Mask, maskPixels } from "#core/masks";
import { PixelShelf } from "./pixel-shelf.ts";

/** Densities at which a screen has masks made: another zoom is another mask only now and then. */
const steps = 2;
const leastPpi = 12;
/** About 64 MB of pictures. */
const mostPixels = 16_000_000;

/** As dense as a screen shows it, or as dense as the mask is meant to be. */
function densityFor(mask: Mask, shownPpi: number): number {
  const rounded = 2 ** (Math.ceil(Math.log2(Math.max(leastPpi, shownPpi)) * steps) / steps);
  return Math.min(mask.ppi, rounded);
}

/** Masks as pictures of one colour, as clear as the mask says. */
export class MaskShelf {
  readonly #kept = new PixelShelf<{ readonly picture: ImageBitmap }>(mostPixels);

  /** `shownPpi`: pixels of an inch as it is painted; the mask's own density where it is left out. */
  get(mask: Mask, colour: string, shownPpi = Number.POSITIVE_INFINITY): ImageBitmap {
    const ppi = densityFor(mask, shownPpi);
    const key = `${colour} ${ppi} ${mask.key}`;
    const { picture } = this.#kept.get(key) ?? this.#kept.keep(key, { picture: this.#made(mask, colour, ppi) });
    return picture;
  }

  #made(mask: Mask, colour: string, ppi: number): ImageBitmap {
    const { bytes, w, h } = maskPixels(mask, ppi);
    const picture = new OffscreenCanvas(w, h);
    const ctx = picture.getContext("2d")!;
    const rgba = new Uint32Array(w * h);
    const [r, g, b] = [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));
    const tint = (b! << 16) | (g! << 8) | r!;
    for (let i = 0; i < rgba.length; i += 1) rgba[i] = ((bytes[i]! << 24) | tint) >>> 0;
    ctx.putImageData(new ImageData(new Uint8ClampedArray(rgba.buffer), w, h), 0, 0);
    return picture.transferToImageBitmap();
  }
}

/** One for everything that a page or a worker paints. */
export const masks = new MaskShelf();
