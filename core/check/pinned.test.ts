import { expect, test } from "@jest/globals";
import { placed } from "#core/document";
import { seededRandom } from "#core/random";
import { collage } from "../document/project.fixture.ts";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import { factsOf, fixedBy, freshBook, holding, lying, photo, facts as plain, saying, tile } from "./check.fixture.ts";
import { checkPage, checkProject, type Finding, type PageFacts, pageAt, worstFirst } from "./index.ts";

const faces = (x: number, y: number) => ({
  faces: [{ x, y, w: 0.2, h: 0.25 }],
  point: { x: x + 0.1, y: y + 0.12 },
  from: "faces" as const,
});

/** Pages of tiles dropped anywhere, many of them over the edge, with photos large and small and words of all sizes. */
function scattered(seed: number) {
  const random = seededRandom(seed);
  const between = (a: number, b: number) => a + (b - a) * random();
  const pieces = Array.from({ length: 7 }, (_, i) => {
    const w = between(10, 130);
    const box = { x: between(-15, 260), y: between(-15, 260), w, h: between(8, 110) };
    const words = saying("Two words and a few more of them", { sizePt: between(3, 30), colour: "#777777" });
    const view = { byHand: random() < 0.5, zoom: between(1, 2.5), centre: { x: random(), y: random() } };
    const border = { widthMm: random() < 0.3 ? between(0.5, 6) : 0, colour: "#ffffff" };
    return { ...tile(`t${i}`, box, i % 3 === 2 ? words : holding(`p${i}`, view)), border };
  });
  const photos = pieces.map((_, i) =>
    photo(`p${i}`, {
      widthPx: Math.round(between(300, 5000)),
      heightPx: 900,
      focus: faces(between(0, 0.8), between(0, 0.7)),
    }),
  );
  const margin = { top: between(0, 8), right: 0.7, bottom: 12, left: between(0, 3) };
  return {
    page: { ...lying(`page${seed}`, pieces), margin },
    known: factsOf(photos, { behind: () => ({ dark: 0.2, light: 0.3 }) }),
  };
}

const seeds = Array.from({ length: 25 }, (_, i) => i + 1);

test("the same is found on the same pages, and put right the same", () => {
  const base = collage([1]);
  const results = seeds.map((seed) => {
    const { page, known } = scattered(seed);
    const project = { ...base, pages: [page] };
    const found = checkPage(
      pageAt(project, page, () => undefined),
      known,
    );
    const fixed = found.flatMap((f: Finding) => f.fixes.map((fix) => fixedBy(project, f, fix, known as PageFacts)));
    const tiles = fixed.map((p) => placed(p, p.pages[0]!).tiles.map(({ tile: _, ...t }) => t));
    return [worstFirst(found, project), tiles];
  });
  expect(results.map(([found]) => (found as Finding[]).map((f) => f.code).join(" "))).toMatchSnapshot();
  expect(fingerprint(results)).toMatchSnapshot();
});

test("the same is found of a book as a whole", () => {
  const book = freshBook();
  const library = Array.from({ length: 40 }, (_, i) =>
    photo(`p${i}`, {
      takenAt: `2026-03-${String(1 + Math.floor(i / 4)).padStart(2, "0")}T1${i % 4}:00:00`,
      stars: i % 7 === 0 ? 3 : 0,
    }),
  );
  const pages = book.pages.map((page, n) => ({
    ...page,
    pieces: [3, 5, 7].map((k) => tile(`t${n}-${k}`, { x: 10 * k, y: 20, w: 50, h: 40 }, holding(`p${(n * k) % 31}`))),
  }));
  const work = {
    photos: library,
    piles: [
      ["p3", "p4"],
      ["p9", "p10", "p11"],
    ],
    spans: [],
    cardNow: book.lab ?? undefined,
  };
  const found = checkProject({ ...book, pages }, work);
  expect(found.map((f) => `${f.code} ${f.severity} ${f.spots.map((s) => s.pageId).join(" ")}`)).toMatchSnapshot();
  expect(fingerprint(found)).toMatchSnapshot();
  expect(plain.gone("p")).toBe(false);
});
