import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { namedTones, type Tone } from "#core/tone";
import { Bitmaps } from "./bitmaps.ts";

interface Stub {
  readonly width: number;
  readonly height: number;
  readonly of: string;
  closed: boolean;
  close(): void;
}

const stub = (of: string): Stub => ({
  width: 100,
  height: 80,
  of,
  closed: false,
  close() {
    this.closed = true;
  },
});

const before = globalThis.createImageBitmap;
beforeAll(() => {
  globalThis.createImageBitmap = (async (blob: Blob) => stub(await blob.text())) as unknown as typeof before;
});
afterAll(() => {
  globalThis.createImageBitmap = before;
});

/** Bitmaps whose tones are made when the test says so. */
function setUp() {
  const asked: { readonly tone: Tone; readonly make: (bitmap?: Stub) => void }[] = [];
  const bitmaps = new Bitmaps(
    async (id) => new Blob([id]),
    (_, tone) =>
      new Promise((done, failed) => {
        asked.push({ tone, make: (b) => (b ? done(b as unknown as ImageBitmap) : failed(new Error("no"))) });
      }),
  );
  const get = (tone?: Tone) => bitmaps.get("p", 100, tone) as unknown as Stub | undefined;
  const next = () => new Promise<void>((told) => bitmaps.watch(() => told()));
  return { bitmaps, asked, get, next };
}

const { grey, sepia } = namedTones;

test("a toned picture is made once, the one before is shown meanwhile, and what was passed is never made", async () => {
  const { asked, get, next } = setUp();
  expect(get(grey)).toBeUndefined();
  await next();
  const plain = get();
  expect(get(grey)).toBe(plain);
  for (const tone of [sepia, namedTones.warm, sepia]) expect(get(tone)).toBe(plain);
  expect(asked.map((a) => a.tone)).toEqual([grey]);
  const inGrey = stub("grey");
  asked[0]!.make(inGrey);
  await next();
  expect(get(grey)).toBe(inGrey);
  expect(get(sepia)).toBe(inGrey);
  expect(get()).toBe(plain);
  expect(asked.map((a) => a.tone)).toEqual([grey, sepia]);
  // Another object that says the same is the same tone.
  expect(get({ ...grey, exposure: 0 })).toBe(inGrey);
});

test("a tone that cannot be made is not asked for again, and others still are", async () => {
  const { asked, get, next } = setUp();
  get();
  await next();
  const plain = get(grey);
  asked[0]!.make();
  await next();
  expect(get(grey)).toBe(plain);
  expect(asked).toHaveLength(1);
  get(sepia);
  expect(asked).toHaveLength(2);
});

test("a photo that is forgotten takes its tones along, those that come late as well", async () => {
  const { bitmaps, asked, get, next } = setUp();
  get();
  await next();
  const plain = get(grey)!;
  const [first, late] = [stub("grey"), stub("sepia")];
  asked[0]!.make(first);
  await next();
  get(sepia);
  bitmaps.forget("p");
  expect([plain.closed, first.closed]).toEqual([true, true]);
  asked[1]!.make(late);
  await next();
  expect(late.closed).toBe(true);
});
