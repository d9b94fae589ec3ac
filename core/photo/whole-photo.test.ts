import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { isWholePhoto } from "./index.ts";
import { photoSchema } from "./schema/index.ts";

const whole = photoSchema.parse({
  id: "a",
  name: "a.jpg",
  type: "image/jpeg",
  sizeBytes: 1,
  hash: "0".repeat(64),
  widthPx: 300,
  heightPx: 200,
  takenAt: "2026-01-01T10:00:00.250",
  takenFrom: "you",
  foundTime: { takenAt: "2026-01-01T09:00:00", takenFrom: "exif" },
  caption: "By the lock",
  likeness: { look: "0123456789abcdef", tint: "808080", detail: 3 },
  focus: { faces: [{ x: 0.1, y: 0.1, w: 0.2, h: 0.3 }], point: { x: 0.2, y: 0.2 }, from: "faces" },
  addedAt: "2026-01-02T10:00:00.000Z",
});

/** Every place in a record, as a path of keys. */
const places = (v: unknown, at: readonly string[] = []): (readonly string[])[] =>
  typeof v === "object" && v !== null
    ? Object.entries(v).flatMap(([key, inner]) => [[...at, key], ...places(inner, [...at, key])])
    : [];

function changed(v: unknown, [key, ...rest]: readonly string[], to: unknown): unknown {
  if (key === undefined) return to;
  const copy = Array.isArray(v) ? [...v] : { ...(v as object) };
  (copy as Record<string, unknown>)[key] = changed((v as Record<string, unknown>)[key], rest, to);
  return copy;
}

const oddities = fc.oneof(
  fc.constantFrom(
    undefined,
    null,
    -1,
    0,
    1.5,
    7,
    1e9,
    "",
    "x",
    "2026-01-01",
    true,
    [],
    {},
    Number.NaN,
    "0".repeat(5000),
  ),
  fc.double(),
  fc.string(),
);

test("what is taken without asking the schema is what the schema would take", () => {
  expect(isWholePhoto(whole)).toBe(true);
  fc.assert(
    fc.property(fc.constantFrom(...places(whole)), oddities, (place, oddity) => {
      const record = changed(whole, place, oddity);
      if (!isWholePhoto(record)) return;
      expect(photoSchema.parse(record)).toEqual(record);
    }),
    { numRuns: 3000 },
  );
});

test("a record from before a field was there is left to the schema", () => {
  const { pile: _, ...older } = whole;
  expect(isWholePhoto(older)).toBe(false);
  expect(photoSchema.parse(older).pile).toBe("auto");
});
