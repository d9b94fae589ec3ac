import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { formatOf, type Project } from "#core/document";
import { labCardSchema } from "#core/lab/schema";
import type { Photo } from "#core/photo";
import { counter } from "../document/project.fixture.ts";
import { applied, book, codes, facts, fixedBy, freshBook, gutterLab, holding, photo, tile } from "./check.fixture.ts";
import { checkProject, fixed } from "./index.ts";
import { longestRising } from "./project-rules/out-of-time.ts";

const noWork = { photos: [], piles: [], spans: [], cardNow: undefined };

test("a book that has only begun has nothing to fix", () => {
  expect(checkProject(freshBook(), noWork)).toEqual([]);
});

test("a number of pages that the lab does not bind is found and filled up; a cover is asked for and made", () => {
  const project = book();
  const { least, step } = gutterLab.book!.pages;
  expect(step).toBeGreaterThan(1);
  const page = project.pages[0]!;
  const odd = applied(project, [{ type: "insertPages", pages: [{ page: { ...page, id: "more" }, at: least }] }]);
  const found = checkProject(odd, noWork);
  expect(codes(found)).toEqual(["pageCount", "coverMissing"]);
  expect(found[0]).toMatchObject({ pages: least + 1, next: least + step });
  const full = fixedBy(odd, found[0]!, "addPages");
  expect(full.pages).toHaveLength(least + step);
  const covered = fixedBy(full, checkProject(full, noWork)[0]!, "makeCover");
  expect(codes(checkProject(covered, noWork)).filter((c) => c !== "spineTooNarrow")).toEqual([]);
});

test("words on a spine that is too narrow for them are found and taken off", () => {
  const narrow = labCardSchema.parse({
    ...gutterLab,
    book: { ...gutterLab.book!, covers: gutterLab.book!.covers.map((c) => ({ ...c, leastForWordsMm: 60 })) },
  });
  const bare = book(narrow);
  const project = fixedBy(bare, checkProject(bare, noWork)[0]!, "makeCover");
  const titled: Project = {
    ...project,
    spine: { ...project.spine!, text: "Aboard" },
  };
  const [finding] = checkProject(titled, noWork);
  expect(finding).toMatchObject({ code: "spineTooNarrow", leastMm: 60 });
  expect(checkProject(fixedBy(titled, finding!, "clearSpine"), noWork)).toEqual([]);
  expect(formatOf(titled, titled.cover!).widthMm).toBeGreaterThan(titled.format.widthMm);
});

test("a joined script on a spine is found, and a font that can be read from afar taken", () => {
  const bare = book();
  const project = fixedBy(bare, checkProject(bare, noWork)[0]!, "makeCover");
  const style = { ...project.spine!.style, font: "great-vibes" };
  const titled: Project = { ...project, spine: { ...project.spine!, text: "Aboard", style } };
  const finding = checkProject(titled, noWork).find((f) => f.code === "spineScript")!;
  expect(finding).toMatchObject({ font: "Great Vibes", severity: "doubt" });
  const mended = fixedBy(titled, finding, "plainSpine");
  expect(mended.spine!.style.font).toBe(mended.words.title.font);
  expect(codes(checkProject(mended, noWork))).not.toContain("spineScript");
});

test("a cover that was made elsewhere for another spine is found; one of the right width is not", () => {
  const bare = book();
  const project = fixedBy(bare, checkProject(bare, noWork)[0]!, "makeCover");
  const page = project.cover!;
  const { widthMm, heightMm, bleedMm } = formatOf(project, page);
  const lies = { x: -bleedMm, y: -bleedMm, w: widthMm + 2 * bleedMm, h: heightMm + 2 * bleedMm };
  const covered: Project = { ...project, cover: { ...page, pieces: [tile("made", lies, holding("made"))] } };
  const found = (offMm: number) => {
    const made = photo("made", {
      hidden: true,
      widthPx: Math.round(40 * (lies.w + offMm)),
      heightPx: Math.round(40 * lies.h),
    });
    return codes(checkProject(covered, { ...noWork, photos: [made] }));
  };
  expect(found(0)).not.toContain("coverOfOtherSize");
  expect(found(6)).toContain("coverOfOtherSize");
});

const day = (n: number, hour = 10) => `2026-03-${String(n).padStart(2, "0")}T${hour}:00:00`;

/** A covered book whose pages hold these photos. */
function bookOf(pages: readonly (readonly string[])[], photos: readonly Photo[]) {
  const bare = book();
  const laid = bare.pages.map((page, i) => ({
    ...page,
    blank: true,
    pieces: (pages[i] ?? []).map((id, k) => tile(`${i}-${k}`, { x: 20, y: 20 + 50 * k, w: 60, h: 40 }, holding(id))),
  }));
  const project = { ...bare, pages: laid };
  const cover = fixed(project, checkProject(project, noWork)[0]!, "makeCover", {
    ...facts,
    newId: counter("c"),
    coverPhoto: () => undefined,
  });
  const work = { ...noWork, photos };
  const found = checkProject(applied(project, cover), work).filter((f) => f.code !== "spineTooNarrow");
  return { project: applied(project, cover), work, found };
}

test("a photo used again weighs more where both are seen together; near twins on one opening are found too", () => {
  const photos = ["a", "b", "c"].map((id, i) => photo(id, { takenAt: day(i + 1) }));
  expect(bookOf([["a"], ["b"], ["c"]], photos).found).toEqual([]);
  // The first page is a right one, alone; the second and third face each other.
  expect(bookOf([["b"], ["a"], ["a"]], photos).found.filter((f) => f.code === "photoTwice")).toMatchObject([
    { together: true, severity: "doubt", times: 2 },
  ]);
  expect(bookOf([["a"], ["b"], ["c"], ["a"]], photos).found.filter((f) => f.code === "photoTwice")).toMatchObject([
    { together: false, severity: "hint", times: 2 },
  ]);
  const { project, work } = bookOf([["a"], ["b"], ["c"]], photos);
  expect(codes(checkProject(project, { ...work, piles: [["b", "c"]] }))).toContain("alikeTogether");
  expect(codes(checkProject(project, { ...work, piles: [["a", "b"]] }))).not.toContain("alikeTogether");
});

test("starred photos and whole events on no page are found, but only within the time that the book covers", () => {
  const event = (d: number, stars = 0) =>
    [1, 2, 3].map((k) => photo(`e${d}-${k}`, { takenAt: day(d, 9 + k), stars: k === 1 ? stars : 0 }));
  const photos = [
    photo("first", { takenAt: day(1) }),
    ...event(5),
    ...event(9, 4),
    photo("last", { takenAt: day(20) }),
    ...event(25, 5),
  ];
  const left = bookOf([["first"], ["e9-2"], ["last"]], photos);
  expect(left.found).toMatchObject([
    { code: "eventLeftOut", photoIds: ["e5-1", "e5-2", "e5-3"] },
    { code: "starredLeftOut", photoIds: ["e9-1"] },
  ]);
  // The one on top of a pile stands for all of it.
  expect(codes(checkProject(left.project, { ...left.work, piles: [["e9-2", "e9-1"]] }))).not.toContain(
    "starredLeftOut",
  );
});

test("pages out of the order of time are the fewest that would have to move", () => {
  const photos = [1, 2, 3, 4, 5].map((n) => photo(`d${n}`, { takenAt: day(n) }));
  const { found, project } = bookOf([["d1"], ["d4"], ["d2"], ["d3"], ["d5"]], photos);
  expect(found).toMatchObject([{ code: "outOfTime", after: day(4), spots: [{ pageId: project.pages[1]!.id }] }]);
});

test("a longest run that never falls is as long as the plain way finds it", () => {
  const plain = (v: readonly string[]): number => {
    const best = v.map(() => 1);
    for (let i = 0; i < v.length; i += 1)
      for (let j = 0; j < i; j += 1) if (v[j]! <= v[i]!) best[i] = Math.max(best[i]!, best[j]! + 1);
    return Math.max(0, ...best);
  };
  fc.assert(
    fc.property(fc.array(fc.constantFrom("a", "b", "c", "d", "e", "f"), { maxLength: 30 }), (values) => {
      const kept = [...longestRising(values)].sort((a, b) => a - b);
      expect(kept).toHaveLength(plain(values));
      expect(kept.every((at, i) => i === 0 || values[kept[i - 1]!]! <= values[at]!)).toBe(true);
    }),
  );
});

test("file names that are too long, files that are too large, and a lab that changed its card are found", () => {
  const lab = (file: object) => labCardSchema.parse({ ...gutterLab, file: { ...gutterLab.file, ...file } });
  const of = (project: Project, cardNow = gutterLab) =>
    codes(checkProject(project, { ...noWork, cardNow })).filter((c) => !["coverMissing", "pageCount"].includes(c));
  expect(of(book())).toEqual([]);
  expect(of(book(lab({ name: "{project}", mostNameLength: 12 })))).not.toContain("nameTooLong");
  const short = book(lab({ mostNameLength: 8 }));
  expect(of(short)).not.toContain("nameTooLong");
  const covered = fixedBy(short, checkProject(short, noWork).find((f) => f.code === "coverMissing")!, "makeCover");
  expect(of(covered)).toContain("nameTooLong");
  expect(of(book(lab({ mostMb: 0.5 })))).toContain("fileTooLarge");
  expect(of(book(), labCardSchema.parse({ ...gutterLab, bleedMm: gutterLab.bleedMm + 1 }))).toEqual(["labChanged"]);
  expect(of(book(), labCardSchema.parse({ ...gutterLab, about: "Under new hands" }))).toEqual([]);
});
