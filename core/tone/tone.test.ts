import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { toEncoded, toLinear } from "#core/colour";
import { type LoopMemory, loopsWasm } from "#core/pixels";
import {
  namedTones,
  quickToner,
  type Tone,
  type ToneLoop,
  type Toner,
  tidyTone,
  toneFigures,
  toneInto,
  toneKey,
  toneLike,
  toneTables,
} from "./index.ts";
import { toneSchema } from "./schema/index.ts";

const either = fc.double({ min: -1, max: 1, noNaN: true });
const share = fc.double({ min: 0, max: 1, noNaN: true });
const anyTone: fc.Arbitrary<Tone> = fc.record(
  {
    grey: fc.tuple(share, share, share),
    tint: fc.record({ colour: fc.constantFrom("#8b6f4e", "#102030", "#f0e0d0", "#000000", "#ff0000"), amount: share }),
    exposure: fc.double({ min: -3, max: 3, noNaN: true }),
    contrast: either,
    dark: either,
    light: either,
    warmth: either,
    saturation: either,
    strength: share,
  },
  { requiredKeys: [] },
);
const byte = fc.integer({ min: 0, max: 255 });
const toned = (tone: Tone, rgb: readonly number[]): readonly number[] => {
  const px = Uint8ClampedArray.from([...rgb, 200]);
  toneInto(px, toneTables(tone));
  return [...px];
};
const cube = [0, 51, 102, 153, 204, 255].flatMap((r) =>
  [0, 51, 102, 153, 204, 255].flatMap((g) => [0, 51, 102, 153, 204, 255].map((b) => [r, g, b] as const)),
);

test("no tone at all, and one that says nothing, leave every colour as it is; what shows through stays", () => {
  for (const rgb of cube)
    for (const tone of [{}, { contrast: 0, strength: 1, tint: { colour: "#ff0000", amount: 0 } }])
      expect(toned(tone, rgb)).toEqual([...rgb, 200]);
});

test("the tables are within one step of the definition", () => {
  const tone: Tone = {
    exposure: 0.4,
    warmth: 0.5,
    saturation: 0.3,
    contrast: 0.4,
    dark: 0.2,
    light: -0.3,
    strength: 0.8,
  };
  const warm = [2 ** 0.175, 1, 2 ** -0.175];
  const level = 2 ** 0.4 / (0.2126 * warm[0]! + 0.7152 + 0.0722 * warm[2]!);
  for (const rgb of cube) {
    const linear = rgb.map((v, c) => toLinear(v / 255) * warm[c]! * level);
    const light = 0.2126 * linear[0]! + 0.7152 * linear[1]! + 0.0722 * linear[2]!;
    const expected = linear.map((v) => {
      const at = toEncoded(Math.min(1, Math.max(0, 1.3 * v - 0.3 * light)));
      let now = at + 0.9 * (0.2 * at * (1 - at) ** 3 - 0.3 * (1 - at) * at ** 3);
      now += 0.4 * (now * now * (3 - 2 * now) - now);
      return 255 * (1 - 0.8 * (1 - now));
    });
    for (const [c, v] of toned(tone, rgb).slice(0, 3).entries()) expect(Math.abs(v - expected[c]!)).toBeLessThan(1.01);
  }
});

test("the quick toner gives the same pixels, many or none, one tone after another", async () => {
  const memory = new WebAssembly.Memory({ initial: 2 });
  const program = await WebAssembly.compile(Buffer.from(loopsWasm, "base64"));
  const { exports } = await WebAssembly.instantiate(program, { env: { memory } });
  const quick = quickToner(exports as unknown as ToneLoop, memory as unknown as LoopMemory);
  const by = (toner: Toner, tone: Tone, from: Uint8Array) => {
    const px = from.slice();
    toner(px, toneTables(tone));
    return Buffer.from(px);
  };
  const many = new Uint8Array(4 * 40_000).map((_, i) => (i * 7919) >> 5);
  expect(
    by(quick, { saturation: 0.7, exposure: 2 }, many).equals(by(toneInto, { saturation: 0.7, exposure: 2 }, many)),
  ).toBe(true);
  fc.assert(
    fc.property(anyTone, fc.uint8Array({ maxLength: 80 }), (tone, bytes) => {
      const px = bytes.slice(0, bytes.length & ~3);
      expect(by(quick, tone, px)).toEqual(by(toneInto, tone, px));
    }),
  );
});

test("a lighter grey never comes out darker, whatever the tone; black and white has no colour", () => {
  fc.assert(
    fc.property(anyTone, byte, byte, byte, (tone, r, g, b) => {
      let before = [0, 0, 0];
      for (let v = 0; v < 256; v += 5) {
        const now = toned(tone, [v, v, v]).slice(0, 3);
        for (const c of [0, 1, 2]) expect(now[c]!).toBeGreaterThanOrEqual(before[c]!);
        before = now;
      }
      const { tint: _, ...plain } = tone;
      const [x, y, z] = toned({ ...plain, grey: [0.3, 0.5, 0.2] }, [r, g, b]);
      expect([y, z]).toEqual([x, x]);
    }),
    { numRuns: 40 },
  );
});

test("a stop more is twice the light; a tint lets a grey as light as it is become its colour; strength 0 is white paper", () => {
  const [v] = toned({ exposure: 1 }, [100, 100, 100]);
  expect(toLinear(v! / 255) / toLinear(100 / 255)).toBeCloseTo(2, 1);
  const rgb = [0x8b, 0x6f, 0x4e];
  const light = toEncoded(
    0.2126 * toLinear(rgb[0]! / 255) + 0.7152 * toLinear(rgb[1]! / 255) + 0.0722 * toLinear(rgb[2]! / 255),
  );
  const grey = Math.round(255 * light);
  for (const [c, now] of toned({ tint: { colour: "#8b6f4e", amount: 1 } }, [grey, grey, grey])
    .slice(0, 3)
    .entries())
    expect(Math.abs(now - rgb[c]!)).toBeLessThan(2.5);
  expect(toned({ strength: 0 }, [12, 200, 99])).toEqual([255, 255, 255, 200]);
  // Red weighs most here: a red is lighter in it than a blue of the same strength.
  expect(toned({ grey: [1, 0, 0] }, [200, 0, 0])[0]).toBe(200);
  expect(toned({ grey: [1, 0, 0] }, [0, 0, 200])[0]).toBe(0);
  const [warmR, , warmB] = toned({ warmth: 1 }, [120, 120, 120]);
  expect(warmR! - warmB!).toBeGreaterThan(20);
});

test("what is kept of a tone is what it does, in one order; all that ship are sound", () => {
  expect(tidyTone({ contrast: 0, strength: 1 })).toBeUndefined();
  expect(tidyTone({ warmth: 0.2, contrast: 0.1, saturation: undefined })).toEqual({ contrast: 0.1, warmth: 0.2 });
  expect(toneKey({ warmth: 0.2, contrast: 0.1 })).toBe(toneKey({ contrast: 0.1, warmth: 0.2, exposure: 0 }));
  expect(toneKey({ warmth: 0.2 })).not.toBe(toneKey({ warmth: 0.3 }));
  for (const tone of Object.values(namedTones)) expect(tidyTone(toneSchema.parse(tone))).toBeDefined();
  for (const bad of [{ exposure: 9 }, { grey: [1, 2] }, { tint: { colour: "red", amount: 1 } }, { strength: -1 }])
    expect(toneSchema.safeParse(bad).success).toBe(false);
});

/** A gently mottled picture around a colour. */
const picture = (r: number, g: number, b: number, amplitude = 30): Uint8ClampedArray => {
  const px = new Uint8ClampedArray(4 * 400);
  for (let i = 0; i < 400; i += 1) px.set([r, g, b].map((v) => v + amplitude * Math.sin(i)).concat(255), 4 * i);
  return px;
};

test("a picture that is matched to another comes nearer to it in light and colour, and never far from itself", () => {
  const within = fc.integer({ min: 70, max: 180 });
  fc.assert(
    fc.property(within, within, within, within, within, within, (r, g, b, r2, g2, b2) => {
      const [from, to] = [toneFigures(picture(r, g, b))!, toneFigures(picture(r2, g2, b2))!];
      const tone = toneLike(from, to);
      const px = picture(r, g, b);
      if (tone) toneInto(px, toneTables(toneSchema.parse(tone)));
      const now = toneFigures(px)!;
      const apart = (x: typeof now, y: typeof now) => Math.hypot(x.l - y.l, x.a - y.a, x.b - y.b);
      expect(apart(now, to)).toBeLessThan(apart(from, to) + 0.012);
      expect(apart(now, from)).toBeLessThan(0.13);
    }),
    { numRuns: 40 },
  );
});

test("pictures alike need no tone; a flat one gets more contrast beside a lively one; nothing is known of a clear one", () => {
  const same = toneFigures(picture(120, 110, 100))!;
  expect(toneLike(same, same)).toBeUndefined();
  const flat = toneFigures(picture(120, 110, 100, 8))!;
  expect(toneLike(flat, same)!.contrast).toBeCloseTo(0.5, 2);
  expect(toneLike(same, flat)!.contrast).toBeCloseTo(-0.4, 2);
  expect(toneFigures(new Uint8ClampedArray(40))).toBeUndefined();
});
