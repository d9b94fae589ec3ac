import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { applyChange, type Change, formatOf, layTree, type Page, type Project, withPage } from "#core/document";
import { bleedBox, labCardSchema } from "#core/lab";
import type { Photo } from "#core/photo";
import { collage, counter, squareFormat } from "../document/project.fixture.ts";
import { book, factsOf, gutterLab, holding, lying, photo, saying, setter, tile } from "./check.fixture.ts";
import {
  checkPage,
  checkWork,
  type Finding,
  type MendCode,
  mended,
  type PageFacts,
  pageAt,
  worstFirst,
} from "./index.ts";
import { longestRising } from "./work-rules/out-of-time.ts";

const inside = { x: 60, y: 60, w: 60, h: 40 };
const facts = factsOf([photo("p"), photo("q")]);

/** A collage of one page with these tiles, checked. */
function checked(tiles: Page["over"], how: PageFacts = facts, project: Project = collage([1])) {
  const page = lying(project, project.pages[0]!.id, tiles);
  const at = { ...project, pages: [page] };
  return {
    project: at,
    findings: checkPage(
      pageAt(at, page, () => undefined),
      how,
    ),
  };
}
const codes = (findings: readonly Finding[]) => findings.map((f) => f.code);

function mendedBy(project: Project, finding: Finding, mend: MendCode, how: PageFacts = facts) {
  expect(finding.mends).toContain(mend);
  const changes = mended(project, finding, mend, { ...how, newId: counter("new"), coverPhoto: () => undefined });
  expect(changes).not.toEqual([]);
  return applied(project, changes);
}
const applied = (project: Project, changes: readonly Change[]): Project =>
  changes.reduce((now, c) => {
    const next = applyChange(now, c);
    if (!next.ok) throw new Error(next.code);
    return next.value;
  }, project);
const again = (project: Project, how: PageFacts = facts) =>
  checkPage(
    pageAt(project, project.pages[0]!, () => undefined),
    how,
  );

test("a page with nothing wrong has no findings", () => {
  expect(
    checked([tile("a", inside, holding("p")), tile("b", { x: 60, y: 110, w: 60, h: 10 }, saying("By the lock"))])
      .findings,
  ).toEqual([]);
});

test("an empty tile is found, and is taken away with those beside it taking its room", () => {
  const project = collage([1, 1.5, 1]);
  const newId = counter("t");
  const laid = layTree(project.pages[0]!, squareFormat, {
    photos: ["p", "q", "r"].map((id) => ({ id, aspect: 1.5 })),
    seed: 1,
    newId,
  });
  if (!laid.ok) throw new Error(laid.code);
  const { page } = laid.value;
  const holed = withPage(project, {
    ...page,
    tiles: page.tiles.map((t, i) => (i === 0 ? { ...t, filling: { kind: "empty" } } : t)),
  });
  const known = factsOf([photo("p"), photo("q"), photo("r")]);
  const [finding] = again(holed, known);
  expect(finding?.code).toBe("emptyTile");
  expect(codes(again(mendedBy(holed, finding!, "takeAway", known), known))).toEqual([]);
});

test("a photo is soft below what the lab takes, less sharp below what it wants, and the largest good size prints at the line", () => {
  const known = factsOf([photo("small", { widthPx: 450, heightPx: 300 }), photo("big")], {
    sharperTwin: (id) => (id === "small" ? "big" : undefined),
  });
  const at = (w: number) => checked([tile("a", { ...inside, w, h: (w * 2) / 3 }, holding("small"))], known);
  expect(codes(at(30).findings)).toEqual([]);
  expect(codes(at(50).findings)).toEqual(["lessSharp"]);
  const { project, findings } = at(100);
  expect(findings).toMatchObject([{ code: "soft", weight: "wrong", needsPpi: 150 }]);
  const { largest } = findings[0] as Extract<Finding, { code: "soft" }>;
  expect(450 / (largest.w / 25.4)).toBeCloseTo(150);
  expect(again(mendedBy(project, findings[0]!, "useSharper", known), known)).toEqual([]);
});

test("a sliver beside a photo is found and covered; a photo shown whole with much beside it is meant so", () => {
  // All of a photo that is 1.5 times as wide as high in 60 x 41 mm: half a millimetre is left above and below.
  const shown = (zoom: number, h = 40) =>
    checked([tile("a", { ...inside, h }, holding("p", { byHand: true, whole: true, zoom }))]);
  const { project, findings } = shown(0, 41);
  expect(codes(findings)).toEqual(["uncovered"]);
  expect(again(mendedBy(project, findings[0]!, "cover"))).toEqual([]);
  expect(codes(shown(0, 60).findings)).toEqual([]);
  expect(codes(shown(1.2).findings)).toEqual([]);
});

test("what ends at the trim is short of the bleed, and is pulled out to it and no further", () => {
  const { widthMm, bleedMm } = squareFormat;
  const { project, findings } = checked([tile("a", { x: 0, y: 100, w: widthMm, h: 60 }, holding("p"))]);
  expect(findings).toMatchObject([{ code: "shortOfBleed", edges: ["left", "right"], bleedMm }]);
  const right = mendedBy(project, findings[0]!, "reachBleed");
  expect(again(right)).toEqual([]);
  const { frame } = right.pages[0]!.over[0]!;
  expect([frame.width, frame.height]).toEqual([bleedBox(squareFormat).w, 60]);
  expect(codes(checked([tile("a", { x: 2, y: 100, w: 40, h: 60 }, holding("p"))]).findings)).toEqual([]);
});

test("words and heads outside of what is safe are found: near the cut, cut, and in the fold", () => {
  const at = (x: number) => checked([tile("a", { x, y: 100, w: 40, h: 10 }, saying("Kingfisher"))]);
  expect(codes(at(20).findings)).toEqual([]);
  expect(at(3).findings).toMatchObject([{ code: "wordsAtRisk", peril: "near", weight: "doubt" }]);
  const { project, findings } = at(-3);
  expect(findings).toMatchObject([{ code: "wordsAtRisk", peril: "cut", weight: "wrong" }]);
  expect(again(mendedBy(project, findings[0]!, "moveInside"))).toEqual([]);

  const bound = book();
  const left = {
    ...bound.pages[1]!,
    over: [tile("a", { x: bound.format.widthMm - 25, y: 80, w: 25, h: 10 }, saying("Fold", { align: "right" }))],
  };
  const inFold = withPage(bound, left);
  const found = checkPage(
    pageAt(inFold, left, () => undefined),
    facts,
  ).filter((f) => f.code === "wordsAtRisk");
  expect(found).toMatchObject([{ peril: "fold", weight: "wrong" }]);
  const out = mendedBy(inFold, found[0]!, "moveInside");
  expect(
    codes(
      checkPage(
        pageAt(out, out.pages[1]!, () => undefined),
        facts,
      ),
    ),
  ).not.toContain("wordsAtRisk");

  const face = { faces: [{ x: 0.4, y: 0.1, w: 0.2, h: 0.3 }], point: { x: 0.5, y: 0.25 }, from: "faces" as const };
  const faced = factsOf([photo("p", { focus: face })]);
  const pulled = (y: number) =>
    checked(
      [tile("a", { ...inside, w: 60, h: 30 }, holding("p", { byHand: true, zoom: 1, centre: { x: 0.5, y } }))],
      faced,
    );
  expect(codes(pulled(0.4).findings)).toEqual([]);
  const cropped = pulled(0.62);
  expect(codes(cropped.findings)).toEqual(["faceCropped"]);
  expect(again(mendedBy(cropped.project, cropped.findings[0]!, "frameByFocus", faced), faced)).toEqual([]);
  const over = checked([tile("a", { x: -30, y: 60, w: 60, h: 40 }, holding("p", { byHand: true }))], faced);
  expect(over.findings).toMatchObject([{ code: "faceAtRisk", peril: "cut", weight: "wrong", faces: 1 }]);
});

test("a focus set by hand that is not on the page is found", () => {
  const known = factsOf([photo("p", { focus: { faces: [], point: { x: 0.05, y: 0.5 }, from: "you" } })]);
  const at = (x: number) =>
    checked([tile("a", { ...inside, w: 40, h: 40 }, holding("p", { byHand: true, centre: { x, y: 0.5 } }))], known);
  expect(codes(at(0.3).findings)).toEqual([]);
  const { project, findings } = at(0.6);
  expect(codes(findings)).toEqual(["focusCut"]);
  expect(again(mendedBy(project, findings[0]!, "frameByFocus", known), known)).toEqual([]);
});

test("a margin or a border thinner than a knife is exact is found, with both ways out of a margin", () => {
  const thin = applied(collage([1.5, 1]), []);
  const page = thin.pages[0]!;
  const narrow: Project = applied(thin, [
    { type: "setLook", pageId: page.id, look: { ...page.look, margin: { top: 1, right: 8, bottom: 8, left: 0 } } },
  ]);
  const known = factsOf([photo("p0"), photo("p1")]);
  const [finding] = again(narrow, known).filter((f) => f.code === "thinMargin");
  expect(finding).toMatchObject({ marginMm: 1, edges: ["top"] });
  for (const mend of ["fullBleed", "widerMargin"] as const)
    expect(codes(again(mendedBy(narrow, finding!, mend, known), known))).not.toContain("thinMargin");

  const bordered = (widthMm: number) => {
    const t = tile("a", { x: -3, y: -3, w: 100, h: 80 }, holding("p"));
    return checked([{ ...t, edge: { border: { widthMm, colour: "#000000" } } }]);
  };
  expect(codes(bordered(6).findings)).toEqual([]);
  const { project, findings } = bordered(4);
  expect(findings).toMatchObject([{ code: "thinBorder", leftMm: 1 }]);
  expect(again(mendedBy(project, findings[0]!, "dropBorder"))).toEqual([]);
});

test("words that are hidden, too small, faint, without a letter or without their font are found, and mended where that can be", () => {
  const box = { x: 60, y: 60, w: 50, h: 12 };
  const says = (text: string, style = {}, how = facts) => checked([tile("a", box, saying(text, style))], how);
  const many = says("one two three four five six seven eight nine ten eleven twelve");
  expect(many.findings).toMatchObject([{ code: "wordsHidden", weight: "wrong" }]);
  const fits = mendedBy(many.project, many.findings[0]!, "shrinkWords");
  expect(again(fits)).toEqual([]);
  const shrunk = fits.pages[0]!.over[0]!.filling;
  expect(shrunk.kind === "words" && shrunk.style.sizePt).toBeGreaterThanOrEqual(6);

  const tiny = says("Lock", { sizePt: 4 });
  expect(tiny.findings).toMatchObject([{ code: "wordsSmall", sizePt: 4, leastPt: 6 }]);
  expect(again(mendedBy(tiny.project, tiny.findings[0]!, "enlargeWords"))).toEqual([]);

  expect(says("Łódka").findings).toMatchObject([{ code: "lettersMissing", letters: ["Ł", "ó"] }]);
  expect(codes(says("Lock", { font: "nowhere" }).findings)).toEqual(["fontMissing"]);
  expect(codes(says("Lock", { font: "nowhere" }, { ...facts, setter: undefined }).findings)).toEqual([]);
  const noFont = factsOf([], { setter: { ...setter, face: () => undefined } });
  expect(codes(says("Lock", {}, noFont).findings)).toEqual(["fontMissing"]);

  const pale = factsOf([], { behind: () => ({ dark: 0.72, light: 0.9 }) });
  const faint = says("Lock", { colour: "#e9e2d5" }, pale);
  expect(faint.findings).toMatchObject([{ code: "wordsFaint", contrast: 1 }]);
  expect(again(mendedBy(faint.project, faint.findings[0]!, "readableInk", pale), pale)).toEqual([]);
  const busy = factsOf([], { behind: () => ({ dark: 0.05, light: 0.8 }) });
  expect(says("Lock", { colour: "#808080" }, busy).findings[0]).toMatchObject({ code: "wordsFaint", mends: [] });
});

test("an original that is gone, a photo nobody knows, and colours beyond sRGB are found", () => {
  const one = [tile("a", inside, holding("p"))];
  expect(codes(checked(one, { ...facts, gone: (id) => id === "p" }).findings)).toEqual(["originalGone"]);
  expect(codes(checked([tile("a", inside, holding("nobody"))]).findings)).toEqual(["originalGone"]);
  expect(checked(one, { ...facts, beyondSrgb: () => 0.1 }).findings).toMatchObject([
    { code: "beyondSrgb", weight: "hint", share: 0.1 },
  ]);
});

const noWork = { photos: [], piles: [], spans: [], cardNow: undefined };

test("a book's bare page is found until it is kept on purpose; a collage's is not", () => {
  const project = book();
  const page = project.pages[2]!;
  const [finding] = checkPage(
    pageAt(project, page, () => undefined),
    facts,
  );
  expect(finding?.code).toBe("blankPage");
  const kept = mendedBy(project, finding!, "keepBlank");
  expect(
    checkPage(
      pageAt(kept, kept.pages[2]!, () => undefined),
      facts,
    ),
  ).toEqual([]);
  expect(checked([]).findings).toEqual([]);
});

test("a number of pages that the lab does not bind is found and filled up; a cover is asked for and made", () => {
  const project = book();
  const { least, step } = gutterLab.book!.pages;
  expect(step).toBeGreaterThan(1);
  const page = project.pages[0]!;
  const odd = applied(project, [{ type: "insertPages", pages: [{ page: { ...page, id: "more" }, at: least }] }]);
  const found = checkWork(odd, noWork);
  expect(codes(found)).toEqual(["pageCount", "coverMissing"]);
  expect(found[0]).toMatchObject({ pages: least + 1, next: least + step });
  const full = mendedBy(odd, found[0]!, "addPages");
  expect(full.pages).toHaveLength(least + step);
  const covered = mendedBy(full, checkWork(full, noWork)[0]!, "makeCover");
  expect(codes(checkWork(covered, noWork)).filter((c) => c !== "spineTooNarrow")).toEqual([]);
});

test("words on a spine that is too narrow for them are found and taken off", () => {
  const narrow = labCardSchema.parse({
    ...gutterLab,
    book: { ...gutterLab.book!, covers: gutterLab.book!.covers.map((c) => ({ ...c, leastForWordsMm: 60 })) },
  });
  const bare = book(narrow);
  const project = mendedBy(bare, checkWork(bare, noWork)[0]!, "makeCover");
  const titled: Project = {
    ...project,
    cover: { ...project.cover!, spine: { ...project.cover!.spine, text: "Aboard" } },
  };
  const [finding] = checkWork(titled, noWork);
  expect(finding).toMatchObject({ code: "spineTooNarrow", leastMm: 60 });
  expect(checkWork(mendedBy(titled, finding!, "clearSpine"), noWork)).toEqual([]);
  expect(formatOf(titled, titled.cover!.page).widthMm).toBeGreaterThan(titled.format.widthMm);
});

test("a cover that was made elsewhere for another spine is found; one of the right width is not", () => {
  const bare = book();
  const project = mendedBy(bare, checkWork(bare, noWork)[0]!, "makeCover");
  const { page } = project.cover!;
  const { widthMm, heightMm, bleedMm } = formatOf(project, page);
  const lies = { x: -bleedMm, y: -bleedMm, w: widthMm + 2 * bleedMm, h: heightMm + 2 * bleedMm };
  const whole = { ...page, tiles: [], over: [tile("made", lies, holding("made"))] };
  const covered: Project = { ...project, cover: { ...project.cover!, page: whole } };
  const found = (offMm: number) => {
    const made = photo("made", {
      hidden: true,
      widthPx: Math.round(40 * (lies.w + offMm)),
      heightPx: Math.round(40 * lies.h),
    });
    return codes(checkWork(covered, { ...noWork, photos: [made] }));
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
    over: (pages[i] ?? []).map((id, k) => tile(`${i}-${k}`, { x: 20, y: 20 + 50 * k, w: 60, h: 40 }, holding(id))),
  }));
  const project = { ...bare, pages: laid };
  const cover = mended(project, checkWork(project, noWork)[0]!, "makeCover", {
    ...facts,
    newId: counter("c"),
    coverPhoto: () => undefined,
  });
  const work = { ...noWork, photos };
  const found = checkWork(applied(project, cover), work).filter((f) => f.code !== "spineTooNarrow");
  return { project: applied(project, cover), work, found };
}

test("a photo used again weighs more where both are seen together; near twins on one opening are found too", () => {
  const photos = ["a", "b", "c"].map((id, i) => photo(id, { takenAt: day(i + 1) }));
  expect(bookOf([["a"], ["b"], ["c"]], photos).found).toEqual([]);
  // The first page is a right one, alone; the second and third face each other.
  expect(bookOf([["b"], ["a"], ["a"]], photos).found.filter((f) => f.code === "photoTwice")).toMatchObject([
    { together: true, weight: "doubt", times: 2 },
  ]);
  expect(bookOf([["a"], ["b"], ["c"], ["a"]], photos).found.filter((f) => f.code === "photoTwice")).toMatchObject([
    { together: false, weight: "hint", times: 2 },
  ]);
  const { project, work } = bookOf([["a"], ["b"], ["c"]], photos);
  expect(codes(checkWork(project, { ...work, piles: [["b", "c"]] }))).toContain("alikeTogether");
  expect(codes(checkWork(project, { ...work, piles: [["a", "b"]] }))).not.toContain("alikeTogether");
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
  expect(codes(checkWork(left.project, { ...left.work, piles: [["e9-2", "e9-1"]] }))).not.toContain("starredLeftOut");
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

test("file names that come twice or are too long, files that are too large, and a lab that changed its card are found", () => {
  const lab = (file: object) => labCardSchema.parse({ ...gutterLab, file: { ...gutterLab.file, ...file } });
  const of = (project: Project, cardNow = gutterLab) =>
    codes(checkWork(project, { ...noWork, cardNow })).filter((c) => !["coverMissing", "pageCount"].includes(c));
  expect(of(book())).toEqual([]);
  expect(of(book(lab({ name: "{project}" })))).toContain("nameTwice");
  expect(of(book(lab({ mostNameLength: 8 })))).toContain("nameTooLong");
  expect(of(book(lab({ mostMb: 0.5 })))).toContain("fileTooLarge");
  expect(of(book(), labCardSchema.parse({ ...gutterLab, bleedMm: gutterLab.bleedMm + 1 }))).toEqual(["labChanged"]);
  expect(of(book(), labCardSchema.parse({ ...gutterLab, about: "Under new hands" }))).toEqual([]);
});

test("a finding keeps its mark until its place changes, and only then", () => {
  const at = (w: number, more: Page["over"] = []) =>
    checked(
      [tile("a", { ...inside, w, h: (w * 2) / 3 }, holding("small")), ...more],
      factsOf([photo("small", { widthPx: 450, heightPx: 300 }), photo("p")]),
    );
  const [first] = at(100).findings;
  const [same] = at(100, [tile("b", { x: 200, y: 200, w: 40, h: 30 }, holding("p"))]).findings;
  const [other] = at(101).findings;
  expect([same!.key, same!.mark]).toEqual([first!.key, first!.mark]);
  expect(other!.key).toBe(first!.key);
  expect(other!.mark).not.toBe(first!.mark);
});

test("the worst come first, then in the order of the pages", () => {
  const { project, findings } = checked(
    [tile("a", inside, holding("p")), tile("b", { x: 60, y: 120, w: 20, h: 4 }, saying("Lock and key", { sizePt: 4 }))],
    { ...facts, gone: () => true },
  );
  expect(worstFirst([...findings].reverse(), project).map((f) => f.weight)).toEqual(
    ["wrong", "wrong", "doubt"].slice(3 - findings.length),
  );
});
