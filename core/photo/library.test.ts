import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  detailOf,
  type Focus,
  findEvents,
  findPiles,
  interestOf,
  lookOf,
  narrows,
  noFilter,
  offsetFromTag,
  type Photo,
  pointOfFaces,
  shifted,
  sift,
  takenAtFromName,
  takenAtFromTag,
  wallMs,
} from "./index.ts";
import { photoSchema } from "./schema/index.ts";

const photo = (change: Partial<Photo> & { readonly id: string }): Photo =>
  photoSchema.parse({
    name: `${change.id}.jpg`,
    type: "image/jpeg",
    sizeBytes: 1,
    hash: "0".repeat(64),
    widthPx: 300,
    heightPx: 200,
    takenAt: "2026-01-01T10:00:00",
    takenFrom: "exif",
    caption: "",
    addedAt: "",
    ...change,
  });

test("sub-seconds and offsets of the camera's clock are read", () => {
  expect(takenAtFromTag("2026:05:03 17:04:59", "5")).toBe("2026-05-03T17:04:59.500");
  expect(takenAtFromTag("2026:05:03 17:04:59", "  ")).toBe("2026-05-03T17:04:59");
  expect(takenAtFromTag("2026-05-03T17:04:59.25+02:00")).toBe("2026-05-03T17:04:59.250");
  expect(takenAtFromTag("2026-05-03 17:04")).toBe("2026-05-03T17:04:00");
  expect([offsetFromTag("+02:00"), offsetFromTag("-03:30"), offsetFromTag("+99:00"), offsetFromTag("")]).toEqual([
    120,
    -210,
    null,
    null,
  ]);
});

test("a date in a file's name is found, and a number that is none is not", () => {
  const named: Record<string, string | undefined> = {
    "IMG_20250322_101530.jpg": "2025-03-22T10:15:30",
    "PXL_20250322_101530123.jpg": "2025-03-22T10:15:30.123",
    "2025-03-22 10.15.30.png": "2025-03-22T10:15:30",
    "Photo 2025-03-22 at 10.15.30.jpg": "2025-03-22T10:15:30",
    "VID-20250322-0007.jpg": "2025-03-22T12:00:00",
    "scan 2025_03_22.tif": "2025-03-22T12:00:00",
    "DSC_12345678.jpg": undefined,
    "20251340_101530.jpg": undefined,
    "IMG_2025.jpg": undefined,
    "20250230.jpg": undefined,
  };
  for (const [name, taken] of Object.entries(named)) expect([name, takenAtFromName(name)]).toEqual([name, taken]);
});

test("a shifted time can be shifted back, sub-seconds and all", () => {
  fc.assert(
    fc.property(
      fc.date({ min: new Date("1900-01-01"), max: new Date("2100-01-01"), noInvalidDate: true }),
      fc.integer({ min: -90_000, max: 90_000 }),
      (at, minutes) => {
        const iso = at.toISOString();
        const taken = iso.endsWith(".000Z") ? iso.slice(0, 19) : iso.slice(0, 23);
        const there = shifted(taken, minutes)!;
        expect(wallMs(there) - wallMs(taken)).toBe(minutes * 60_000);
        expect(shifted(there, -minutes)).toBe(taken);
      },
    ),
  );
  expect(shifted("2026-01-01T10:00:00", -1e12)).toBeUndefined();
});

test("photos kept before a field was there are read with its default", () => {
  const old: Record<string, unknown> = { ...photo({ id: "a" }) };
  for (const key of ["stars", "hidden", "likeness", "focus", "pile", "foundTime", "offsetMinutes", "camera", "removed"])
    delete old[key];
  expect(photoSchema.parse(old)).toEqual(photo({ id: "a" }));
});

const alike = (look: string, detail = 10, tint = "808080") => ({ look, detail, tint });
const at = (second: number) => `2026-01-01T10:00:${String(second).padStart(2, "0")}`;

test("a burst is one pile with the sharpest on top; the same look at another time is one only when it is nearly equal", () => {
  const list = [
    photo({ id: "a", takenAt: at(0), likeness: alike("ff00ff00ff00ff00", 8) }),
    photo({ id: "b", takenAt: at(1), likeness: alike("ff00ff00ff00ff0f", 30) }),
    photo({ id: "c", takenAt: at(2), likeness: alike("ff00ff00ff00fff0", 12) }),
    photo({ id: "other", takenAt: at(3), likeness: alike("00ff00ff00ff00ff", 50) }),
    photo({ id: "tinted", takenAt: at(4), likeness: alike("ff00ff00ff00ff00", 50, "ff2020") }),
    photo({ id: "later", takenAt: "2026-03-01T10:00:00", likeness: alike("ff00ff00ff00f0ff", 9) }),
    photo({ id: "copy", takenAt: "2026-03-02T10:00:00", likeness: alike("ff00ff00ff00ff0f", 9) }),
  ];
  expect(findPiles(list)).toEqual([["b", "a", "c", "copy"]]);
  const put = (id: string, pile: Photo["pile"]) => list.map((p) => (p.id === id ? { ...p, pile } : p));
  expect(findPiles(put("c", "top"))[0]).toEqual(["c", "a", "b", "copy"]);
  expect(findPiles(put("b", "alone"))[0]).toEqual(["c", "a"]);
  expect(findPiles(list.map((p) => (p.id === "a" ? { ...p, stars: 3 } : p)))[0]![0]).toBe("a");
});

test("flat pictures, and those without a look, are in no pile", () => {
  expect(
    findPiles([
      photo({ id: "a", likeness: alike("0".repeat(16)) }),
      photo({ id: "b", likeness: alike("0".repeat(16)) }),
      photo({ id: "c" }),
    ]),
  ).toEqual([]);
});

test("piles are the same as when each pair is compared in the plainest way", () => {
  const hex = fc.array(fc.constantFrom("0", "f", "3"), { minLength: 16, maxLength: 16 }).map((d) => d.join(""));
  fc.assert(
    fc.property(fc.array(fc.tuple(hex, fc.integer({ min: 0, max: 500 })), { maxLength: 14 }), (made) => {
      const list = made
        .map(([look, s], i) =>
          photo({
            id: `p${i}`,
            takenAt: new Date(Date.UTC(2026, 0, 1) + s * 1000).toISOString().slice(0, 19),
            likeness: alike(look),
          }),
        )
        .sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1));
      const apart = (a: string, b: string) =>
        [...a].reduce(
          (n, c, i) =>
            n + [...(Number.parseInt(c, 16) ^ Number.parseInt(b[i]!, 16)).toString(2)].filter((d) => d === "1").length,
          0,
        );
      const near = (a: Photo, b: Photo) => {
        const [p, q] = [a.likeness!.look, b.likeness!.look];
        if (/^0+$/.test(p) || /^0+$/.test(q)) return false;
        return apart(p, q) <= (Math.abs(wallMs(a.takenAt) - wallMs(b.takenAt)) <= 90_000 ? 14 : 3);
      };
      const groups: Photo[][] = [];
      for (const p of list) {
        const joined = groups.filter((g) => g.some((o) => near(p, o)));
        for (const g of joined) groups.splice(groups.indexOf(g), 1);
        groups.push([...joined.flat(), p]);
      }
      const plain = groups
        .filter((g) => g.length > 1)
        .map((g) =>
          g
            .map((p) => p.id)
            .sort()
            .join(),
        );
      expect(
        findPiles(list)
          .map((g) => [...g].sort().join())
          .sort(),
      ).toEqual(plain.sort());
    }),
  );
});

test("a look does not see noise, and a sharper picture has more detail", () => {
  const picture = (f: (x: number, y: number) => number, width = 9, height = 8) => ({
    width,
    height,
    values: Array.from({ length: width * height }, (_, i) => f(i % width, Math.floor(i / width))),
  });
  expect(lookOf(picture(() => 100))).toBe("0000000000000000");
  expect(lookOf(picture((x) => 200 - 10 * x))).toBe("ffffffffffffffff");
  expect(lookOf(picture((x) => 200 - 10 * x + (x % 2) * 0.5))).toBe("ffffffffffffffff");
  const edges = (k: number) => detailOf(picture((x) => 128 + 100 * Math.tanh(k * Math.sin(x)), 40, 40));
  expect(edges(5)).toBeGreaterThan(edges(0.5));
  const hills = (x: number, y: number) => 128 + 60 * Math.sin(7 * x) + 50 * Math.cos(5 * y + 3 * x);
  const seen = (w: number, h: number) => lookOf(picture((x, y) => hills(x / w, y / h), w, h));
  expect(seen(400, 300)).toBe(seen(200, 150));
  expect(lookOf(picture(() => 5, 2, 3))).toBe("0000000000000000");
});

test("events begin after a night's pause, and a name goes to the one it overlaps the most", () => {
  const list = ["2026-01-01T10:00:00", "2026-01-01T16:00:00", "2026-01-02T01:00:00", "2026-01-02T09:00:01"].map(
    (takenAt, i) => photo({ id: `p${i}`, takenAt }),
  );
  const span = { id: "s", name: "Lock day", from: "2026-01-01T15:00:00", to: "2026-01-02T01:30:00" };
  const events = findEvents(list, [span]);
  expect(events.map((e) => [e.photoIds.length, e.span?.name])).toEqual([
    [2, "Lock day"],
    [1, undefined],
    [1, undefined],
  ]);
  expect(findEvents([], [span])).toEqual([]);
});

test("a sieve lets through what it should, in the order asked", () => {
  const list = [
    photo({ id: "a", caption: "At the lock", stars: 3, widthPx: 4000, heightPx: 3000 }),
    photo({ id: "b", takenAt: "2026-02-01T10:00:00.500", widthPx: 200, heightPx: 300 }),
    photo({ id: "c", takenAt: "2026-03-01T10:00:00", hidden: true, widthPx: 300, heightPx: 300 }),
  ];
  const ids = (change: Partial<typeof noFilter>) =>
    sift(list, { ...noFilter, ...change }, (id) => id === "b")
      .map((p) => p.id)
      .join("");
  expect(ids({})).toBe("ab");
  expect(ids({ hiddenToo: true, order: "newest" })).toBe("cba");
  expect(ids({ place: "placed" })).toBe("b");
  expect(ids({ place: "unplaced" })).toBe("a");
  expect(ids({ leastStars: 2 })).toBe("a");
  expect(ids({ shape: "tall" })).toBe("b");
  expect(ids({ shape: "square", hiddenToo: true })).toBe("c");
  expect(ids({ smallerThanPx: 1000 })).toBe("b");
  expect(ids({ text: " LOCK the " })).toBe("a");
  expect(ids({ text: "b.jpg" })).toBe("b");
  expect(ids({ span: { from: "2026-01-15T00:00:00", to: "2026-02-01T10:00:00" } })).toBe("b");
  expect(ids({ order: "largest", hiddenToo: true })).toBe("acb");
  expect(narrows(noFilter)).toBe(false);
  expect(narrows({ ...noFilter, text: "x" })).toBe(true);
  const open = list.slice(0, 2);
  expect(sift(open, noFilter, () => false)).toBe(open);
});

test("the point of several faces lies between them, nearer to the larger", () => {
  const faces: Focus["faces"] = [
    { x: 0.1, y: 0.1, w: 0.2, h: 0.2 },
    { x: 0.8, y: 0.1, w: 0.1, h: 0.1 },
  ];
  expect(pointOfFaces(faces)!.x).toBeCloseTo(0.33);
  expect(pointOfFaces([])).toBeUndefined();
});

test("interest lies where something stands out, and a bit above the middle where nothing does", () => {
  const plain = { width: 32, height: 32, planes: [new Float32Array(1024).fill(90)] };
  expect(interestOf(plain)).toEqual({ x: 0.5, y: 0.45 });
  fc.assert(
    fc.property(fc.integer({ min: 6, max: 24 }), fc.integer({ min: 6, max: 24 }), (cx, cy) => {
      const values = Float32Array.from({ length: 1024 }, (_, i) =>
        Math.hypot((i % 32) - cx, Math.floor(i / 32) - cy) < 3 ? 230 : 60,
      );
      const point = interestOf({ width: 32, height: 32, planes: [values] });
      expect(Math.abs(point.x * 32 - cx)).toBeLessThan(3.5);
      expect(Math.abs(point.y * 32 - cy)).toBeLessThan(3.5);
    }),
    { numRuns: 30 },
  );
});
