import { num, type PdfWriter, type Ref, refTo } from "#core/files";
import { type Mask, maskPixels } from "#core/masks";
import { maskPlace } from "#core/painters";
import type { PlacedMask, ShadeStep } from "#core/scene";

const wide = "/BBox [-20000 -20000 20000 20000]";

/** Puts masks into a PDF, each once, as pictures in grey. */
export class PdfMasks {
  readonly #to: PdfWriter;
  readonly #greys = new Map<string, Ref>();
  readonly #shades = new Map<string, Ref>();

  constructor(to: PdfWriter) {
    this.#to = to;
  }

  /** One pixel of a colour, as clear as a mask says wherever it is drawn. `space`: the colour space of what is decoded here. */
  shade({ soft, colour }: ShadeStep, space: string): Ref {
    const key = `${colour} ${soft.mask.key}`;
    const known = this.#shades.get(key);
    if (known !== undefined) return known;
    const rgb = Uint8Array.from([1, 3, 5], (at) => Number.parseInt(colour.slice(at, at + 2), 16));
    const entries = `/Type /XObject /Subtype /Image /Width 1 /Height 1 /BitsPerComponent 8 /ColorSpace ${space}`;
    const ref = this.#to.stream(`${entries} /SMask ${refTo(this.#grey(soft.mask))}`, [rgb]);
    this.#shades.set(key, ref);
    return ref;
  }

  /** A state in which all that is drawn is seen through a mask, which lies where it does when the state is set. */
  state(soft: PlacedMask, opacity: number): Ref {
    const group = "/Group << /Type /Group /S /Transparency /CS /DeviceGray /I true >>";
    const picture = `/Resources << /XObject << /M ${refTo(this.#grey(soft.mask))} >> >>`;
    const content = new TextEncoder().encode(`q ${maskPlace(soft)} cm /M Do Q`);
    const form = this.#to.packed(`/Type /XObject /Subtype /Form ${wide} ${group} ${picture}`, content);
    const seen = `/SMask << /Type /Mask /S /Luminosity /G ${refTo(form)} >>`;
    return this.#to.object(`<< /Type /ExtGState /ca ${num(opacity)} ${seen} >>`);
  }

  #grey(mask: Mask): Ref {
    const known = this.#greys.get(mask.key);
    if (known !== undefined) return known;
    const { bytes, w, h } = maskPixels(mask);
    const size = `/Width ${w} /Height ${h} /BitsPerComponent 8 /ColorSpace /DeviceGray`;
    const ref = this.#to.packed(`/Type /XObject /Subtype /Image ${size}`, bytes);
    this.#greys.set(mask.key, ref);
    return ref;
  }
}
