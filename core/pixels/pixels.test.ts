import { execFileSync } from "node:child_process";
import { expect, test } from "@jest/globals";
import sharp from "sharp";
import { chain, type Matrix, scaling } from "#core/geometry";
import { orientationMatrix } from "#core/photo";
import { seededRandom } from "#core/random";
import {
  deepCut,
  deepLaidOut,
  divideAlpha,
  drawDeep,
  type Loops,
  laidOut,
  loopsWasm,
  multiplyAlpha,
  type Pixels,
  plainResampler,
  QuickResampler,
  refine,
  sharpen,
  sharpeningFor,
  sourceRows,
  widened,
} from "./index.ts";
import { measurePlate, placing, zonePlate } from "./zone-plate.fixture.ts";

async function quick(): Promise<QuickResampler> {
  const memory = new WebAssembly.Memory({ initial: 2 });
  const program = await WebAssembly.compile(Buffer.from(loopsWasm, "base64"));
  const { exports } = await WebAssembly.instantiate(program, { env: { memory, abort: () => {} } });
  return new QuickResampler(
    exports as unknown as Loops,
    memory as unknown as { buffer: ArrayBuffer; grow(n: number): number },
  );
}

const plate = zonePlate(800);
const isStraight = (m: Matrix) => Math.abs(m.b) + Math.abs(m.c) < 1e-9;

test.each([
  [0.9, 0, 3.9, 23],
  [0.61, 0, 3.9, 4.5],
  [0.44, 0, 3.9, 2.6],
  [0.9, 7, 3.9, 23],
  [0.61, 7, 3.9, 4.5],
  [0.44, 45, 3.9, 2.6],
  [1.5, 0, 9, 0],
  [1.5, 7, 9, 0],
])(
  "a zone plate at %d, turned by %d°, loses and invents no more than Lanczos 3 does",
  async (scale, turn, lost, alias) => {
    const resampler = await quick();
    for (const mirrored of [false, true]) {
      const { side, matrix } = placing(plate.width, scale, turn, mirrored);
      const area = { x: 0, y: 0, w: side, h: side };
      const drawn = isStraight(matrix) ? resampler.upright(plate, matrix, area) : resampler.turned(plate, matrix, area);
      const figures = measurePlate(drawn, plate.width, matrix);
      expect(figures.lost).toBeLessThan(lost);
      if (figures.alias !== undefined) expect(figures.alias).toBeLessThan(alias);
    }
  },
);

test("beside sharp's Lanczos 3 nothing is missing", async () => {
  for (const scale of [0.9, 0.61, 0.44]) {
    const { side, matrix } = placing(plate.width, scale);
    const { data } = await sharp(plate.data, { raw: { width: plate.width, height: plate.height, channels: 4 } })
      .resize(side, side, { kernel: "lanczos3" })
      .raw()
      .toBuffer({ resolveWithObject: true });
    const theirs = measurePlate({ data, width: side, height: side }, plate.width, matrix);
    const drawn = (await quick()).upright(plate, matrix, { x: 0, y: 0, w: side, h: side });
    const ours = measurePlate(drawn, plate.width, matrix);
    expect(ours.lost).toBeLessThan(theirs.lost + 0.1);
    expect(ours.alias).toBeLessThan(theirs.alias! + 0.4);
    for (const ring of [0.2, 0.3, 0.4]) expect(ours.ring(ring)).toBeGreaterThan(theirs.ring(ring) - 0.3);
  }
});

/** Colours and clear places, multiplied. */
function speckled(width: number, height: number, seed: number): Pixels {
  const random = seededRandom(seed);
  const data = Uint8ClampedArray.from({ length: width * height * 4 }, (_, i) => {
    const x = (i >> 2) % width;
    return i % 4 === 3 ? (x % 7 < 2 ? 90 : 255) : 255 * random();
  });
  const pixels = { data, width, height };
  multiplyAlpha(pixels);
  return pixels;
}

test("quick and plain give the same pixels; parts are parts of the whole; rows that are said not to matter do not", async () => {
  const random = seededRandom(5);
  const resampler = await quick();
  for (let round = 0; round < 16; round += 1) {
    const from = speckled(30 + Math.floor(90 * random()), 30 + Math.floor(90 * random()), round);
    const scale = 0.15 + 2 * random();
    const turn = round % 2 === 0 ? 0 : 360 * random();
    const { matrix } = placing(from.width, scale, turn, round % 3 === 0);
    const side = Math.max(8, Math.round(from.width * scale));
    const draw = (by: typeof plainResampler, source: Pixels, area: { x: number; y: number; w: number; h: number }) =>
      turn === 0 ? by.upright(source, matrix, area) : by.turned(source, matrix, area);
    const all = { x: 0, y: 0, w: side, h: side };
    const whole = draw(plainResampler, from, all);
    expect(Buffer.compare(Buffer.from(draw(resampler, from, all).data), Buffer.from(whole.data))).toBe(0);
    const part = { x: 1 + Math.floor(random() * 3), y: Math.floor(side / 3), w: side - 5, h: Math.ceil(side / 4) };
    const rows = sourceRows(matrix, part, from.height);
    const some = from.data.slice(rows.from * from.width * 4, rows.to * from.width * 4);
    const drawn = draw(resampler, { ...from, data: some, top: rows.from }, part);
    for (let y = 0; y < part.h; y += 1) {
      const at = ((part.y + y) * side + part.x) * 4;
      const [a, b] = [
        whole.data.subarray(at, at + part.w * 4),
        drawn.data.subarray(y * part.w * 4, (y + 1) * part.w * 4),
      ];
      expect(Buffer.compare(Buffer.from(a), Buffer.from(b))).toBe(0);
    }
  }
});

test("an even colour stays what it is, at every scale and turn", async () => {
  const resampler = await quick();
  const even = { data: new Uint8ClampedArray(4 * 80 * 60).fill(201), width: 80, height: 60 };
  for (const [scale, turn] of [
    [0.3, 0],
    [0.77, 0],
    [2.3, 0],
    [0.3, 20],
    [1.4, 70],
  ] as const) {
    const { matrix } = placing(80, scale, turn);
    const middle = { x: Math.round(36 * scale), y: Math.round(36 * scale), w: 5, h: 5 };
    const drawn = turn === 0 ? resampler.upright(even, matrix, middle) : resampler.turned(even, matrix, middle);
    expect([...new Set(drawn.data)]).toEqual([201]);
  }
});

test("a bright edge on nothing keeps its colour: no dark fringe after scaling", async () => {
  const pixels = { data: new Uint8ClampedArray(4 * 60 * 60), width: 60, height: 60 };
  for (let y = 0; y < 60; y += 1)
    for (let x = 0; x < 60; x += 1) pixels.data.set(x < 31 ? [250, 200, 40, 255] : [0, 0, 0, 0], 4 * (60 * y + x));
  expect(multiplyAlpha(pixels)).toBe(true);
  const drawn = (await quick()).upright(pixels, { a: 0.41, d: 0.41, e: 0, f: 0 }, { x: 0, y: 5, w: 24, h: 3 });
  divideAlpha(drawn);
  for (let i = 0; i < drawn.data.length; i += 4) {
    if (drawn.data[i + 3]! < 16) continue;
    expect(Math.abs(drawn.data[i]! - 250)).toBeLessThan(9);
    expect(Math.abs(drawn.data[i + 2]! - 40)).toBeLessThan(9);
  }
});

test("a camera's eight orientations are laid as the matrix says", () => {
  const from = speckled(5, 3, 1);
  for (let o = 1; o <= 8; o += 1) {
    const m = orientationMatrix(o as 1);
    const laid = laidOut(from, m);
    const toSeen = chain(scaling(laid.width, laid.height), m, scaling(1 / 5, 1 / 3));
    for (let y = 0; y < 3; y += 1)
      for (let x = 0; x < 5; x += 1) {
        const [sx, sy] = [
          Math.floor(toSeen.a * (x + 0.5) + toSeen.c * (y + 0.5) + toSeen.e),
          Math.floor(toSeen.b * (x + 0.5) + toSeen.d * (y + 0.5) + toSeen.f),
        ];
        const [i, k] = [4 * (y * 5 + x), 4 * (sy * laid.width + sx)];
        expect([...laid.data.subarray(k, k + 4)]).toEqual([...from.data.subarray(i, i + 4)]);
      }
  }
});

/** An edge of 60 to 200 that leans by 5°, as a scaled photo has it; what it rises over, in pixels, and how far beyond it goes. */
function edgeFigures(change: (pixels: Pixels) => void): { rise: number; beyond: number } {
  const n = 200;
  const lean = Math.tan((5 * Math.PI) / 180);
  const data = new Uint8ClampedArray(4 * n * n);
  const distance = (x: number, y: number) => x + 0.5 - n / 2 - (y + 0.5 - n / 2) * lean;
  for (let y = 0; y < n; y += 1)
    for (let x = 0; x < n; x += 1) {
      const share = 1 / (1 + Math.exp(-distance(x, y) / 0.35));
      data.set([60 + 140 * share, 60 + 140 * share, 60 + 140 * share, 255], 4 * (n * y + x));
    }
  const pixels = { data, width: n, height: n };
  change(pixels);
  const bins = new Map<number, number[]>();
  for (let y = 20; y < n - 20; y += 1)
    for (let x = 0; x < n; x += 1) {
      const d = Math.round(distance(x, y) * 10);
      if (Math.abs(d) < 80) bins.set(d, [...(bins.get(d) ?? []), data[4 * (n * y + x)]!]);
    }
  const mean = (v: readonly number[]) => v.reduce((s, k) => s + k, 0) / v.length;
  const line = [...bins].sort(([a], [b]) => a - b).map(([d, v]) => ({ d: d / 10, v: mean(v) }));
  const cross = (level: number) => line.find((p) => p.v >= 60 + 140 * level)!.d;
  return { rise: cross(0.9) - cross(0.1), beyond: (Math.max(...line.map((p) => p.v)) - 200) / 140 };
}

test.each(["gloss", "matt"] as const)(
  "sharpened for %s paper an edge rises in less, and no halo passes its limit",
  (paper) => {
    const soft = edgeFigures(() => {});
    const sharp = edgeFigures((p) => sharpen(p, sharpeningFor(paper, 300)));
    expect(sharp.rise).toBeLessThan(soft.rise * (paper === "matt" ? 0.8 : 0.9));
    expect(sharp.beyond).toBeGreaterThan(soft.beyond);
    expect(sharp.beyond).toBeLessThan(0.12);
  },
);

test("sharpening keeps grey grey and leaves grain alone", () => {
  const random = seededRandom(3);
  const grain = {
    data: Uint8ClampedArray.from({ length: 4 * 900 }, () => 128 + Math.round(random())),
    width: 30,
    height: 30,
  };
  const before = grain.data.slice();
  sharpen(grain, sharpeningFor("matt", 300));
  expect([...grain.data]).toEqual([...before]);
  const greys = zonePlate(64);
  sharpen(greys, sharpeningFor("matt", 300));
  for (let i = 0; i < greys.data.length; i += 4) expect(greys.data[i]).toBe(greys.data[i + 2]);
});

test("the program is what its source gives", () => {
  execFileSync(process.execPath, ["scripts/build-loops.mjs", "--check"], { stdio: "pipe" });
});

const smallPlate = zonePlate(240);

test.each([
  [0.61, 0],
  [0.61, 7],
  [1.5, 0],
  [1.5, -30],
])("in sixteen bits a picture at %d, turned by %d°, is the same as in eight, and finer", (scale, turn) => {
  const deep = { data: widened(smallPlate.data), width: smallPlate.width, height: smallPlate.height };
  const { side, matrix } = placing(smallPlate.width, scale, turn);
  const area = { x: Math.floor(side / 3), y: Math.floor(side / 3), w: 45, h: 40 };
  const shallow = isStraight(matrix)
    ? plainResampler.upright(smallPlate, matrix, area)
    : plainResampler.turned(smallPlate, matrix, area);
  const drawn = drawDeep(deep, matrix, area);
  const off = drawn.data.map((v, i) => Math.abs(v / 257 - shallow.data[4 * Math.floor(i / 3) + (i % 3)]!));
  expect(Math.max(...off)).toBeLessThan(1.2);
  expect(new Set(drawn.data).size).toBeGreaterThan(300);
});

test("sixteen bits take the place of eight where they are the same picture, and nowhere else", () => {
  const random = seededRandom(3);
  const [w, h] = [40, 30];
  const photo = { data: Uint16Array.from({ length: 3 * w * h }, () => 65_536 * random()), width: w, height: h };
  const painted = new Uint8ClampedArray(4 * 60 * 50).fill(255);
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1)
      for (let c = 0; c < 3; c += 1) painted[4 * ((y + 5) * 60 + x + 7) + c] = photo.data[3 * (y * w + x) + c]! / 257;
  // A word over it.
  const word = { x: 20, y: 20 };
  painted.set([9, 120, 9, 255], 4 * (word.y * 60 + word.x));
  const into = widened(painted);
  refine(into, painted, 60, photo, { x: 7, y: 5 });
  for (let y = 0; y < 50; y += 1)
    for (let x = 0; x < 60; x += 1) {
      const inside = x >= 7 && x < 7 + w && y >= 5 && y < 5 + h && !(x === word.x && y === word.y);
      const p = y * 60 + x;
      const q = (y - 5) * w + x - 7;
      const expected = inside
        ? photo.data.subarray(3 * q, 3 * q + 3)
        : painted.subarray(4 * p, 4 * p + 3).map((v) => v);
      expect([...into.subarray(3 * p, 3 * p + 3)]).toEqual(inside ? [...expected] : [...expected].map((v) => v * 257));
    }
});

test("in sixteen bits a camera's pixels are laid upright as in eight, and cut at all sides alike", () => {
  const [w, h] = [7, 4];
  const data = Uint8ClampedArray.from({ length: 4 * w * h }, (_, i) => (i * 37) % 256);
  for (const o of [1, 2, 3, 4, 5, 6, 7, 8] as const) {
    const m = orientationMatrix(o);
    const seen = laidOut({ data, width: w, height: h }, m);
    const deep = deepLaidOut({ data: widened(data), width: w, height: h }, m);
    expect(deep).toEqual({ data: widened(seen.data), width: seen.width, height: seen.height });
  }
  const cut = deepCut({ data: widened(data), width: w, height: h }, 1);
  expect([cut.width, cut.height]).toEqual([5, 2]);
  expect(cut.data[0]).toBe(257 * data[4 * (w + 1)]!);
  expect(cut.data.at(-1)).toBe(257 * data[4 * (2 * w + 5) + 2]!);
});

test("sharpened in sixteen bits as in eight", () => {
  const how = sharpeningFor("matt", 300);
  const eight = { data: smallPlate.data.slice(), width: smallPlate.width, height: smallPlate.height };
  const sixteen = { data: widened(smallPlate.data), width: smallPlate.width, height: smallPlate.height };
  sharpen(eight, how);
  sharpen(sixteen, how);
  expect(Buffer.from(eight.data).equals(Buffer.from(smallPlate.data))).toBe(false);
  for (let i = 0; i < sixteen.data.length; i += 997)
    expect(Math.abs(sixteen.data[i]! / 257 - eight.data[4 * Math.floor(i / 3) + (i % 3)]!)).toBeLessThan(1);
});
