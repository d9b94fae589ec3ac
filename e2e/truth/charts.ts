import { execFileSync } from "node:child_process";
import { writeFile } from "node:fs/promises";
import { join } from "node:path";
import sharp, { type Sharp } from "sharp";
import { gammaProfile, greyProfile, littleEndian, rgbProfile, tiffHead } from "../../core/files/index.ts";
import { zonePlate } from "../../core/pixels/zone-plate.fixture.ts";

/** Pictures made by code, of which it is known exactly how they have to print. */

/** A zone plate as a PNG, so that only drawing is measured. */
export async function plateFile(folder: string, n: number): Promise<string> {
  const { data } = zonePlate(n);
  const path = join(folder, "plate.png");
  await writeFile(
    path,
    await sharp(data, { raw: { width: n, height: n, channels: 4 } })
      .removeAlpha()
      .png()
      .toBuffer(),
  );
  return path;
}

type Colour = readonly [number, number, number];

/** Patches along each side of a chart; so many pixels each. */
const across = 5;
const patchPx = 96;
export const chartPx = across * patchPx;

/** Colours that every profile here holds, the same from run to run. */
export const patches: readonly Colour[] = Array.from({ length: across * across }, (_, i): Colour => {
  if (i < across) return [1, 1, 1].map((v) => Math.round((v * 255 * i) / (across - 1))) as unknown as Colour;
  return [0, 1, 2].map((c) => 30 + ((i * (53 + 40 * c) + 71 * c) % 196)) as unknown as Colour;
});

const linear = (v: number): number => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
const coded = (v: number): number => (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);

interface Space {
  readonly name: string;
  readonly rXYZ: Colour;
  readonly gXYZ: Colour;
  readonly bXYZ: Colour;
  /** Undefined: the curve of sRGB. */
  readonly gamma?: number;
}

/** Primaries in XYZ of D50: IEC 61966-2-1, SMPTE EG 432-1, ISO 22028-2 and one between. */
const spaces: readonly Space[] = [
  {
    name: "srgb",
    rXYZ: [0.4360747, 0.2225045, 0.0139322],
    gXYZ: [0.3850649, 0.7168786, 0.0971045],
    bXYZ: [0.1430804, 0.0606169, 0.7141733],
  },
  {
    name: "displayP3",
    rXYZ: [0.5151187, 0.2411892, -0.0010505],
    gXYZ: [0.2919778, 0.6922441, 0.0418791],
    bXYZ: [0.1571035, 0.0665667, 0.7840713],
  },
  {
    name: "wide green",
    rXYZ: [0.6097559, 0.3111242, 0.0194811],
    gXYZ: [0.2052401, 0.625656, 0.0608902],
    bXYZ: [0.149224, 0.0632197, 0.7448387],
    gamma: 2.2,
  },
  {
    name: "ROMM",
    rXYZ: [0.7976749, 0.2880402, 0],
    gXYZ: [0.1351917, 0.7118741, 0],
    bXYZ: [0.0313534, 0.0000857, 0.82521],
    gamma: 1.8,
  },
];

const times = (m: readonly (readonly number[])[], v: readonly number[]) =>
  m.map((row) => row.reduce((s, k, i) => s + k * v[i]!, 0));

function inverse(m: readonly (readonly number[])[]): number[][] {
  const at = (r: number, c: number) => m[r % 3]![c % 3]!;
  const cofactor = (r: number, c: number) => at(r + 1, c + 1) * at(r + 2, c + 2) - at(r + 1, c + 2) * at(r + 2, c + 1);
  const det = [0, 1, 2].reduce((s, c) => s + at(0, c) * cofactor(0, c), 0);
  return [0, 1, 2].map((r) => [0, 1, 2].map((c) => cofactor(c, r) / det));
}

const toXyz = ({ rXYZ, gXYZ, bXYZ }: Space) => [0, 1, 2].map((i) => [rXYZ[i]!, gXYZ[i]!, bXYZ[i]!]);

/** A colour of sRGB as another profile writes it down. */
function inSpace(colour: Colour, space: Space): number[] {
  const xyz = times(
    toXyz(spaces[0]!),
    colour.map((v) => linear(v / 255)),
  );
  return times(inverse(toXyz(space)), xyz).map((v) => {
    const held = Math.min(1, Math.max(0, v));
    return Math.round(255 * (space.gamma === undefined ? coded(held) : held ** (1 / space.gamma)));
  });
}

const raw = (px: Uint8Array, channels: 1 | 3) => sharp(px, { raw: { width: chartPx, height: chartPx, channels } });

function chart(colourOf: (patch: number) => readonly number[], channels: 1 | 3): Uint8Array {
  const px = new Uint8Array(chartPx * chartPx * channels);
  for (let y = 0, at = 0; y < chartPx; y += 1)
    for (let x = 0; x < chartPx; x += 1, at += channels)
      px.set(colourOf(across * Math.floor(y / patchPx) + Math.floor(x / patchPx)), at);
  return px;
}

/** The same colours in four profiles, as JPEGs. */
export async function colourCharts(folder: string): Promise<string[]> {
  return Promise.all(
    spaces.map(async (space, i) => {
      const profile = join(folder, `${i}.icc`);
      const own = space.name === "srgb" || space.name === "displayP3" ? rgbProfile(space.name) : undefined;
      await writeFile(profile, own ?? gammaProfile(space.name, space, space.gamma!));
      const path = join(folder, `chart-${i}.jpg`);
      const px = chart((p) => inSpace(patches[p]!, space), 3);
      await raw(px, 3).jpeg({ quality: 100, chromaSubsampling: "4:4:4" }).toFile(path);
      // The numbers stay as they are; only what they mean is written beside them.
      execFileSync("exiftool", ["-q", "-overwrite_original", `-icc_profile<=${profile}`, path]);
      return path;
    }),
  );
}

export const greys: readonly number[] = patches.map((_, i) => Math.round((255 * i) / (patches.length - 1)));

/** The same greys in a JPEG of one channel without a profile, and in one with a curve of its own. */
export async function greyCharts(folder: string): Promise<string[]> {
  const profile = join(folder, "grey.icc");
  await writeFile(profile, greyProfile(1.4));
  const [plain, own] = [join(folder, "grey.jpg"), join(folder, "grey-own.jpg")];
  const write = (path: string, levelOf: (grey: number) => number) =>
    raw(
      chart((p) => [levelOf(greys[p]!)], 1),
      1,
    )
      .toColourspace("b-w")
      .jpeg({ quality: 100 })
      .toFile(path);
  await write(plain, (g) => g);
  await write(own, (g) => Math.round(255 * linear(g / 255) ** (1 / 1.4)));
  execFileSync("exiftool", ["-q", "-overwrite_original", `-icc_profile<=${profile}`, own]);
  return [plain, own];
}

/** One picture in all eight orientations, and once as a PNG: nine files that have to look the same. */
export async function orientations(folder: string): Promise<string[]> {
  const side = 240;
  const svg = `<svg width="${side}" height="${side}" xmlns="http://www.w3.org/2000/svg"><rect width="${side}" height="${side}" fill="#e8d8a8"/>
    <rect width="120" height="60" fill="#903020"/><circle cx="190" cy="60" r="36" fill="#205090"/><path d="M20 220 L60 120 L100 220 Z" fill="#2f7040"/></svg>`;
  const seen = await sharp(Buffer.from(svg)).removeAlpha().png().toBuffer();
  const png = join(folder, "turn-0.png");
  await writeFile(png, seen);
  // How the camera held it: the picture turned back, and a note that says so.
  const stored: readonly ((s: Sharp) => Sharp)[] = [
    (s) => s,
    (s) => s.flop(),
    (s) => s.rotate(180),
    (s) => s.flip(),
    (s) => s.rotate(90).flip(),
    (s) => s.rotate(270),
    (s) => s.rotate(90).flop(),
    (s) => s.rotate(90),
  ];
  const files = await Promise.all(
    stored.map(async (how, i) => {
      const path = join(folder, `turn-${i + 1}.jpg`);
      await how(sharp(seen))
        .jpeg({ quality: 97, chromaSubsampling: "4:4:4" })
        .withMetadata({ orientation: i + 1 })
        .toFile(path);
      return path;
    }),
  );
  return [png, ...files];
}

/** Greys of sixteen bits, a row each: a tenth of a step of eight bits from one to the next. */
export const deepGreys: readonly number[] = Array.from({ length: 600 }, (_, y) => 9_000 + 25 * y);

/** What a grey of a power of 2.2 is in sRGB, both of sixteen bits. */
export const powerInSrgb = (level: number): number => 65_535 * coded((level / 65_535) ** 2.2);

/** The greys as a PNG in sRGB and as a TIFF in wide colours, each half as wide as it is high. */
export async function deepPhotos(folder: string): Promise<string[]> {
  const [width, height] = [deepGreys.length / 2, deepGreys.length];
  const samples = Uint16Array.from({ length: 3 * width * height }, (_, i) => deepGreys[Math.floor(i / 3 / width)]!);
  const [png, tiff] = [join(folder, "deep-a.png"), join(folder, "deep-b.tif")];
  await sharp(samples, { raw: { width, height, channels: 3 } })
    .toColourspace("rgb16")
    .png()
    .toFile(png);
  const profile = gammaProfile("wide green", spaces[2]!, 2.2);
  const size = { widthPx: width, heightPx: height, ppi: 300 };
  await writeFile(
    tiff,
    Buffer.concat([tiffHead({ ...size, profile, packing: "none", bits: 16 }), littleEndian(samples)]),
  );
  return [png, tiff];
}

/** Lines one pixel high, black and white, which any look at a smaller picture takes for something else. */
export async function stripes(folder: string, n: number): Promise<string> {
  const px = new Uint8Array(n * n * 3).map((_, i) => (Math.floor(i / 3 / n) % 2) * 255);
  const path = join(folder, "stripes.png");
  await sharp(px, { raw: { width: n, height: n, channels: 3 } })
    .png()
    .toFile(path);
  return path;
}
