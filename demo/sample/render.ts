import sharp, { type OverlayOptions } from "sharp";
import type { Light } from "./light.ts";
import { type Random, seededRandom } from "./random.ts";
import { type Layer, n, type Scene, type Stage } from "./svg.ts";

interface Frame {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly sway: number;
}

const grainSize = 384;

/** Grain as film and small sensors have it: one seeded tile of greys, laid over every photo. */
export async function grainTile(): Promise<Buffer> {
  const size = grainSize;
  const random = seededRandom(99);
  const grey = Buffer.alloc(size * size);
  for (let i = 0; i < grey.length; i += 1) {
    const bell = random.next() + random.next() + random.next() - 1.5;
    grey[i] = Math.round(128 + bell * 34);
  }
  return sharp(grey, { raw: { width: size, height: size, channels: 1 } })
    .blur(0.6)
    .toColourspace("b-w")
    .raw()
    .toBuffer();
}

export async function render(scene: Scene, light: Light, seed: number, frame: Frame, grain: Buffer): Promise<Buffer> {
  const random = seededRandom(seed);
  const { layers, definitions } = draw(scene, light, random, frame);
  const high = (1000 * frame.heightPx) / frame.widthPx;
  // Each frame of a burst looks at a little less of the scene, a little further on.
  const { sway } = frame;
  const box = [sway * 9, sway * 5, 1000 - sway * 12, high * (1 - sway * 0.012)].map(n).join(" ");
  const wide = (body: string, w: number, h: number) =>
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="${box}" preserveAspectRatio="none"><defs>${definitions}</defs>${body}</svg>`,
    );
  const over: OverlayOptions[] = [];
  let base: Buffer | undefined;
  for (const layer of layers) {
    let picture = wide(layer.body, frame.widthPx, frame.heightPx);
    if (layer.blur) {
      // Drawn small, blurred and enlarged: what a lens out of focus does, at a fiftieth of the work.
      const [w, h] = [Math.ceil(frame.widthPx / 8), Math.ceil(frame.heightPx / 8)];
      const small = await sharp(wide(layer.body, w, h))
        .blur(Math.max(0.4, layer.blur * w))
        .png()
        .toBuffer();
      picture = await sharp(small)
        .resize(frame.widthPx, frame.heightPx, { fit: "fill", kernel: "cubic" })
        .png({ compressionLevel: 1 })
        .toBuffer();
    }
    if (base) over.push({ input: picture });
    else base = picture;
  }
  const pixels = await sharp(base).composite(over).removeAlpha().toColourspace("srgb").raw().toBuffer();
  finish(pixels, frame, grain);
  return pixels;
}

function draw(
  scene: Scene,
  light: Light,
  random: Random,
  frame: Frame,
): { layers: readonly Layer[]; definitions: string } {
  let definitions = "";
  let count = 0;
  const stage: Stage = {
    w: 1000,
    h: (1000 * frame.heightPx) / frame.widthPx,
    random,
    light,
    define(body) {
      count += 1;
      definitions += body(`d${count}`);
      return `url(#d${count})`;
    },
  };
  const drawn = scene(stage);
  return { layers: typeof drawn === "string" ? [{ body: drawn }] : drawn, definitions };
}

const corner = { colour: [10, 15, 24], reach: 0.75, from: 0.55, strength: 0.3 } as const;

/** Darkens the corners and lays the grain over it all, on the pixels themselves: blended by sharp, the two took most of the time. */
function finish(pixels: Buffer, { widthPx, heightPx }: Frame, grain: Buffer): void {
  for (let y = 0, at = 0; y < heightPx; y += 1) {
    const v = ((y + 0.5) / heightPx - 0.5) / corner.reach;
    const row = (y % grainSize) * grainSize;
    for (let x = 0; x < widthPx; x += 1, at += 3) {
      const u = ((x + 0.5) / widthPx - 0.5) / corner.reach;
      const out = (Math.sqrt(u * u + v * v) - corner.from) / (1 - corner.from);
      const dark = corner.strength * Math.min(1, Math.max(0, out));
      const lit = 256 * grain[row + (x % grainSize)]!;
      for (let c = 0; c < 3; c += 1) {
        const under = pixels[at + c]!;
        pixels[at + c] = softLight[lit + Math.round(under + dark * (corner.colour[c]! - under))]!;
      }
    }
  }
}

/** Soft light of every grey over every value (W3C, Compositing and Blending Level 1). */
const softLight = Uint8Array.from({ length: 256 * 256 }, (_, i) => {
  const [over, under] = [Math.floor(i / 256) / 255, (i % 256) / 255];
  const lighter = under <= 0.25 ? ((16 * under - 12) * under + 4) * under : Math.sqrt(under);
  const by = over <= 0.5 ? under * (1 - under) : lighter - under;
  return Math.round(255 * (under + (2 * over - 1) * by));
});
