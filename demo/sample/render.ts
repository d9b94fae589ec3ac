import sharp, { type OverlayOptions } from "sharp";
import type { Light } from "./light.ts";
import { type Random, seededRandom } from "./random.ts";
import { type Layer, n, type Scene, type Stage } from "./svg.ts";

interface Frame {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly sway: number;
}

/** Grain as film and small sensors have it: one seeded tile, laid over every photo. */
export async function grainTile(): Promise<Buffer> {
  const size = 384;
  const random = seededRandom(99);
  const grey = Buffer.alloc(size * size);
  for (let i = 0; i < grey.length; i += 1) {
    const bell = random.next() + random.next() + random.next() - 1.5;
    grey[i] = Math.round(128 + bell * 34);
  }
  return sharp(grey, { raw: { width: size, height: size, channels: 1 } })
    .blur(0.6)
    .png()
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
  over.push({ input: vignette(frame) }, { input: await grainFor(frame, grain), tile: true, blend: "soft-light" });
  return sharp(base).composite(over).removeAlpha().toColourspace("srgb").raw().toBuffer();
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

const vignette = (f: Frame): Buffer =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${f.widthPx}" height="${f.heightPx}"><defs><radialGradient id="v" r="0.75"><stop offset="0.55" stop-color="#0a0f18" stop-opacity="0"/><stop offset="1" stop-color="#0a0f18" stop-opacity="0.3"/></radialGradient></defs><rect width="100%" height="100%" fill="url(#v)"/></svg>`,
  );

const grainFor = (f: Frame, tile: Buffer): Promise<Buffer> =>
  sharp(tile)
    .extract({ left: 0, top: 0, width: Math.min(384, f.widthPx), height: Math.min(384, f.heightPx) })
    .png()
    .toBuffer();
