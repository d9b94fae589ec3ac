import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  arrangedTiles,
  layTree,
  newBook,
  openingsOf,
  type Page,
  type Project,
  pageCount,
  pagesOf,
  photoIdOf,
  placePage,
  spreadsHold,
} from "#core/document";
import { formatFromCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import {
  isHeld,
  type PacePage,
  type PacePhoto,
  pacedPages,
  pacePlan,
  paceRow,
  type Slot,
  shapeOf,
  wantedPages,
  withFilled,
} from "./index.ts";
import { pricing } from "./plan.ts";

const hour = 3_600_000;

const anyPhotos = (most: number) =>
  fc
    .array(
      fc.record({
        aspect: fc.constantFrom(0.67, 0.75, 1, 1.5, 2.6),
        pause: fc.constantFrom(0, 0.01, 0.5, 3, 20),
        stars: fc.integer({ min: 0, max: 5 }),
        faces: fc.constantFrom(0, 0.05),
      }),
      { maxLength: most },
    )
    .map((list): PacePhoto[] => {
      let [at, event] = [0, 0];
      return list.map(({ pause, ...p }, i) => {
        at += pause * hour;
        if (pause > 7) event += 1;
        return { ...p, id: `p${i}`, atMs: at, event };
      });
    });

const slotsFor = (m: number, first: "left" | "right"): Slot[] =>
  Array.from({ length: m }, (_, k) => {
    const side = (k % 2 === 0) === (first === "left") ? "left" : "right";
    return { side, faced: side === "left" && k + 1 < m };
  });

const anySlots = (most: number) =>
  fc
    .tuple(fc.integer({ min: 1, max: most }), fc.constantFrom("left" as const, "right" as const))
    .map(([m, f]) => slotsFor(m, f));

test("every photo comes onto one page, in order, on just so many pages; spreads begin on the left", () => {
  fc.assert(
    fc.property(anyPhotos(60), anySlots(14), (photos, slots) => {
      const plan = pacePlan({ photos, slots });
      expect(plan.flatMap((p) => p.photoIds)).toEqual(photos.map((p) => p.id));
      expect(plan.reduce((sum, p) => sum + p.span, 0)).toBe(slots.length);
      let at = 0;
      for (const page of plan) {
        if (page.span === 2) expect([slots[at]!.side, page.photoIds.length]).toEqual(["left", 1]);
        at += page.span;
      }
    }),
  );
});

/** All ways to do it, one after the other. */
function cheapest(photos: readonly PacePhoto[], slots: readonly Slot[]): number {
  const price = pricing({ photos, slots });
  const [n, m] = [photos.length, slots.length];
  const from = (k: number, i: number): number => {
    if (k === m) return i === n ? 0 : Number.POSITIVE_INFINITY;
    let best = Number.POSITIVE_INFINITY;
    for (let j = i; j <= n; j += 1) {
      if (j === i && n >= m && i < n) continue;
      best = Math.min(best, price.page(i, j, slots[k]!) + from(k + 1, j));
    }
    const over = price.spread(i, slots[k]!);
    return over === undefined || k + 2 > m ? best : Math.min(best, over + from(k + 2, i + 1));
  };
  return from(0, 0);
}

function costOf(plan: readonly PacePage[], photos: readonly PacePhoto[], slots: readonly Slot[]): number {
  const price = pricing({ photos, slots });
  let [k, i, sum] = [0, 0, 0];
  for (const page of plan) {
    const j = i + page.photoIds.length;
    sum += page.span === 2 ? price.spread(i, slots[k]!)! : price.page(i, j, slots[k]!);
    [k, i] = [k + page.span, j];
  }
  return sum;
}

test("no other way to break the pages is cheaper", () => {
  fc.assert(
    fc.property(anyPhotos(7), anySlots(4), (photos, slots) => {
      expect(costOf(pacePlan({ photos, slots }), photos, slots)).toBeCloseTo(cheapest(photos, slots), 9);
    }),
    { numRuns: 60 },
  );
});

const photo = (i: number, change: Partial<PacePhoto> = {}): PacePhoto => ({
  id: `p${i}`,
  aspect: 1.5,
  atMs: i * 60_000,
  event: 0,
  stars: 0,
  faces: 0,
  ...change,
});

test("pages end where events end", () => {
  const sizes = [5, 4, 6, 5];
  let i = 0;
  const photos = sizes.flatMap((size, event) =>
    Array.from({ length: size }, () => photo(i++, { event, atMs: i * 60_000 + event * 24 * hour })),
  );
  const plan = pacePlan({ photos, slots: slotsFor(4, "left") });
  expect(plan.map((p) => p.photoIds.length)).toEqual(sizes);
});

test("a starred photo has fewer beside it, and leads; a starred panorama goes over the spread", () => {
  const many = Array.from({ length: 20 }, (_, i) => photo(i, i === 8 ? { stars: 5 } : {}));
  const plan = pacePlan({ photos: many, slots: slotsFor(4, "left") });
  const page = plan.find((p) => p.photoIds.includes("p8"))!;
  expect(page.leader).toBe("p8");
  expect(page.photoIds.length).toBeLessThanOrEqual(5);
  const wide = Array.from({ length: 12 }, (_, i) =>
    photo(i, i === 6 ? { aspect: 3, stars: 4, event: 1 } : { event: i < 6 ? 0 : 2 }),
  );
  const spread = pacePlan({ photos: wide, slots: slotsFor(6, "left") }).find((p) => p.span === 2);
  expect(spread?.photoIds).toEqual(["p6"]);
});

test("no photos, one moment for all, fewer photos than pages", () => {
  expect(pacePlan({ photos: [], slots: slotsFor(4, "right") }).map((p) => p.photoIds)).toEqual([[], [], [], []]);
  const same = Array.from({ length: 30 }, (_, i) => photo(i, { atMs: 5 }));
  expect(pacePlan({ photos: same, slots: slotsFor(6, "left") }).map((p) => p.photoIds.length)).toEqual([
    5, 5, 5, 5, 5, 5,
  ]);
  const few = pacePlan({ photos: [photo(0), photo(1)], slots: slotsFor(5, "left") });
  expect(few.flatMap((p) => p.photoIds)).toEqual(["p0", "p1"]);
  expect(few.at(-1)!.photoIds).toEqual([]);
  expect(wantedPages([])).toBe(0);
});

const lab = labCardSchema.parse(JSON.parse(readFileSync("demo/labs/marrow-and-lisle.json", "utf8")));
const counter = () => {
  let n = 0;
  return () => {
    n += 1;
    return `i${n}`;
  };
};
const blankBook = (): Project =>
  newBook(
    { name: "Year", unit: "mm", lab, format: formatFromCard(lab, lab.sizes[2]!, false) },
    { newId: counter(), at: "2026-01-01T00:00:00.000Z" },
  );

const fill = (project: Project, photos: readonly PacePhoto[], slots: readonly Slot[]): Page[] => [
  ...pacedPages({
    plan: pacePlan({ photos, slots }),
    slots,
    aspectOf: (id) => photos.find((p) => p.id === id)!.aspect,
    format: project.format,
    hiddenMm: lab.book!.gutterMm,
    style: project.style,
    seed: 1,
    newId: counter(),
  }),
];

test("neighbouring spreads are not alike, and the same seed gives the same book", () => {
  const project = blankBook();
  const photos = Array.from({ length: 120 }, (_, i) => photo(i, { aspect: [1.5, 1.5, 0.67][i % 3]! }));
  const row = paceRow(project, 24);
  const pages = withFilled(row, fill(project, photos, row.slots));
  expect(withFilled(row, fill(project, photos, row.slots))).toEqual(pages);
  expect(pages.flatMap((p) => arrangedTiles(p).map(photoIdOf))).toHaveLength(120);
  const openings = openingsOf(pages, true).map((o) => pagesOf(o).map(shapeOf).join(" "));
  for (const [i, o] of openings.entries()) if (i > 0) expect(o).not.toBe(openings[i - 1]);
});

test("one photo over a whole spread goes out over its edges; the pages around it keep the style's margin", () => {
  const project = blankBook();
  const slots = slotsFor(4, "left");
  const photos = Array.from({ length: 5 }, (_, i) => photo(i, { aspect: 2.2 }));
  const ids = (...of: number[]) => of.map((i) => photos[i]!.id);
  const plan: PacePage[] = [
    { span: 1, photoIds: ids(0), leader: undefined },
    { span: 1, photoIds: ids(1, 2), leader: undefined },
    { span: 2, photoIds: ids(3), leader: undefined },
  ];
  const made = [
    ...pacedPages({
      ...{ plan, slots, format: project.format, hiddenMm: 0, style: project.style },
      ...{ aspectOf: () => 2.2, seed: 3, newId: counter() },
    }),
  ];
  expect(made.map((p) => p.span)).toEqual([1, 1, 2]);
  expect(made.map((p) => p.margin)).toEqual([undefined, undefined, { top: 0, right: 0, bottom: 0, left: 0 }]);
  expect(made.map((p) => arrangedTiles(p).map(photoIdOf))).toEqual([ids(0), expect.arrayContaining(ids(1, 2)), ids(3)]);
});

test("pages made by hand stay in their order, photos on them are not placed twice, spreads stay on the left", () => {
  const base = blankBook();
  const aspects = [1.5, 0.7];
  const held = (page: Page) => isHeld(page, base.style);
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom("paced", "hand", "spread", "blank"), { minLength: 3, maxLength: 30 }),
      fc.integer({ min: 24, max: 60 }),
      (kinds, count) => {
        const newId = counter();
        let at = 0;
        const pages = kinds.map((kind): Page => {
          const spread = kind === "spread" && (at + 1) % 2 === 0;
          const bare: Page = { ...base.pages[0]!, id: newId(), span: spread ? 2 : 1, blank: kind === "blank" };
          at += bare.span;
          if (kind === "blank") return bare;
          const laid = layTree(placePage(bare, base.format, base.style), {
            photos: aspects.map((aspect, k) => ({ id: `h${at}-${k}`, aspect })),
            seed: 0,
            newId,
          });
          return { ...(laid.ok ? laid.value.page : bare), paced: kind === "paced" };
        });
        const project = { ...base, pages };
        const row = paceRow(project, count);
        const photos = Array.from({ length: 40 }, (_, i) => photo(i));
        const next = withFilled(row, fill(project, photos, row.slots));
        expect(next.filter(held)).toEqual(pages.filter(held));
        expect(spreadsHold(next, true)).toBe(true);
        const staying = pageCount(pages.filter(held));
        expect(pageCount(next)).toBe(Math.max(staying, count));
        for (const page of pages.filter((p) => !p.paced))
          for (const t of arrangedTiles(page)) expect(row.used.has(photoIdOf(t)!)).toBe(true);
      },
    ),
    { numRuns: 30 },
  );
});
