import { expect, test } from "@jest/globals";
import {
  arrangedOn,
  arrangedTiles,
  type Filling,
  type FreeTile,
  freeTiles,
  layTree,
  mapTiles,
  type Page,
  type Project,
  photoIdOf,
  placed,
  withPage,
} from "#core/document";
import { plainCard } from "#core/lab/schema";
import { collage, counter, squareFormat } from "../document/project.fixture.ts";
import {
  book,
  checked,
  checkedAgain,
  codes,
  facts,
  factsOf,
  fixedBy,
  holding,
  inside,
  photo,
  saying,
  setter,
  tile,
} from "./check.fixture.ts";
import { checkPage, type FindingOf, pageAt } from "./index.ts";

test("a photo is soft below what the lab takes, less sharp below what it wants, and the largest good size prints at the line", () => {
  const known = factsOf([photo("small", { widthPx: 450, heightPx: 300 }), photo("big")], {
    sharperTwin: (id) => (id === "small" ? "big" : undefined),
  });
  const at = (w: number) => checked([tile("a", { ...inside, w, h: (w * 2) / 3 }, holding("small"))], known);
  expect(codes(at(30).findings)).toEqual([]);
  expect(codes(at(50).findings)).toEqual(["lessSharp"]);
  const { project, findings } = at(100);
  expect(findings).toMatchObject([{ code: "soft", severity: "wrong", needsPpi: 150 }]);
  const { largest } = findings[0] as FindingOf<"soft">;
  expect(450 / (largest.w / 25.4)).toBeCloseTo(150);
  expect(checkedAgain(fixedBy(project, findings[0]!, "useSharper", known), known)).toEqual([]);
});

test("a sliver beside a photo is found and covered; a photo shown whole with much beside it is meant so", () => {
  // All of a photo that is 1.5 times as wide as high in 60 x 41 mm: half a millimetre is left above and below.
  const shown = (zoom: number, h = 40) =>
    checked([tile("a", { ...inside, h }, holding("p", { byHand: true, whole: true, zoom }))]);
  const { project, findings } = shown(0, 41);
  expect(codes(findings)).toEqual(["uncovered"]);
  expect(checkedAgain(fixedBy(project, findings[0]!, "cover"))).toEqual([]);
  expect(codes(shown(0, 60).findings)).toEqual([]);
  expect(codes(shown(1.2).findings)).toEqual([]);
});

test("a head that a shape, another tile or a gap between parts of one photo hides is found", () => {
  const face = { x: 0.42, y: 0.3, w: 0.16, h: 0.3 };
  const known = factsOf([
    photo("p", { focus: { faces: [face], point: { x: 0.5, y: 0.45 }, from: "faces" as const } }),
    photo("q"),
  ]);
  const found = (pieces: readonly FreeTile[]) =>
    codes(checked(pieces, known).findings).filter((c) => c.startsWith("face"));
  const whole = tile("a", { ...inside, w: 60, h: 40 }, holding("p"));
  const { x, y } = whole.frame.centre;
  expect(found([whole])).toEqual([]);
  // A bar that runs past the face on the left, in the photo's own place.
  const bar = { kind: "path", path: [["M", 0, 0], ["L", 0.47, 0], ["L", 0.47, 1], ["L", 0, 1], ["Z"]] } as const;
  expect(found([{ ...whole, outline: bar, filling: holding("p", { byHand: true }) }])).toEqual(["faceCropped"]);
  const over = tile("b", { x: x - 2, y: y - 10, w: 20, h: 20 }, holding("q"));
  expect(found([whole, over])).toEqual(["faceCovered"]);
  expect(found([over, whole])).toEqual([]);
  expect(found([whole, { ...over, opacity: 0.2 }])).toEqual([]);
  const view = (holding("p", { byHand: true }) as Extract<Filling, { kind: "photo" }>).view;
  const part = (id: string, left: number, w: number): FreeTile => ({
    ...tile(id, { x: x - 30 + left, y: y - 20, w, h: 40 }, { kind: "photo", view }),
    through: { id: "one", view },
  });
  expect(found([part("l", 0, 28), part("r", 32, 28)])).toEqual(["faceInGap"]);
  expect(found([part("l", 0, 20), part("r", 22, 38)])).toEqual([]);
});

test("words and heads outside of what is safe are found: near the cut, cut, and in the fold", () => {
  const at = (x: number) => checked([tile("a", { x, y: 100, w: 40, h: 10 }, saying("Kingfisher"))]);
  expect(codes(at(20).findings)).toEqual([]);
  expect(at(3).findings).toMatchObject([{ code: "wordsAtRisk", risk: "near", severity: "doubt" }]);
  const { project, findings } = at(-4);
  expect(findings).toMatchObject([{ code: "wordsAtRisk", risk: "cut", severity: "wrong" }]);
  expect(checkedAgain(fixedBy(project, findings[0]!, "moveInside"))).toEqual([]);

  const bound = book();
  const left = {
    ...bound.pages[1]!,
    pieces: [tile("a", { x: bound.format.widthMm - 25, y: 80, w: 25, h: 10 }, saying("Fold", { align: "right" }))],
  };
  const inFold = withPage(bound, left);
  const found = checkPage(
    pageAt(inFold, left, () => undefined),
    facts,
  ).filter((f) => f.code === "wordsAtRisk");
  expect(found).toMatchObject([{ risk: "fold", severity: "wrong" }]);
  const out = fixedBy(inFold, found[0]!, "moveInside");
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
  expect(checkedAgain(fixedBy(cropped.project, cropped.findings[0]!, "frameByFocus", faced), faced)).toEqual([]);
  const over = checked([tile("a", { x: -30, y: 60, w: 60, h: 40 }, holding("p", { byHand: true }))], faced);
  expect(over.findings).toMatchObject([{ code: "faceAtRisk", risk: "cut", severity: "wrong", faces: 1 }]);
  // The mark that was kept with works from the first release on: another, and what was accepted opens checkedAgain.
  expect(over.findings[0]!.mark).toBe("b07ea3faf03d3902");
});

test("a focus set by hand that is not on the page is found", () => {
  const known = factsOf([photo("p", { focus: { faces: [], point: { x: 0.05, y: 0.5 }, from: "you" } })]);
  const at = (x: number) =>
    checked([tile("a", { ...inside, w: 40, h: 40 }, holding("p", { byHand: true, centre: { x, y: 0.5 } }))], known);
  expect(codes(at(0.3).findings)).toEqual([]);
  const { project, findings } = at(0.6);
  expect(codes(findings)).toEqual(["focusCut"]);
  expect(checkedAgain(fixedBy(project, findings[0]!, "frameByFocus", known), known)).toEqual([]);
});

test("words that are hidden, too small, faint, without a letter or without their font are found, and mended where that can be", () => {
  const box = { x: 60, y: 60, w: 50, h: 12 };
  const says = (text: string, style = {}, how = facts) => checked([tile("a", box, saying(text, style))], how);
  const many = says("one two three four five six seven eight nine ten eleven twelve");
  expect(many.findings).toMatchObject([{ code: "wordsHidden", severity: "wrong" }]);
  const fits = fixedBy(many.project, many.findings[0]!, "shrinkWords");
  expect(checkedAgain(fits)).toEqual([]);
  const shrunk = freeTiles(fits.pages[0]!)[0]!.filling;
  expect(shrunk.kind === "words" && shrunk.style.sizePt).toBeGreaterThanOrEqual(6);

  const tiny = says("Lock", { sizePt: 4 });
  expect(tiny.findings).toMatchObject([{ code: "wordsSmall", sizePt: 4, leastPt: 6 }]);
  expect(checkedAgain(fixedBy(tiny.project, tiny.findings[0]!, "enlargeWords"))).toEqual([]);

  // The lab's own limit counts where it is higher, and then for certain.
  for (const [sizePt, leastTypePt, found] of [
    [7, 7.5, [{ severity: "wrong", leastPt: 7.5, byLab: true }]],
    [5.5, 5, [{ severity: "doubt", leastPt: 6 }]],
    [7.5, 7.5, []],
  ] as const) {
    const plain = says("Lock", { sizePt });
    const lab = plainCard("a-lab", "A lab");
    const project = { ...plain.project, lab: { ...lab, file: { ...lab.file, leastTypePt } } };
    const now = checkedAgain(project);
    expect(now).toMatchObject(found);
    expect(now).toHaveLength(found.length);
    expect(now.flatMap((f) => checkedAgain(fixedBy(project, f, "enlargeWords")))).toEqual([]);
  }

  expect(says("Łódka").findings).toMatchObject([{ code: "lettersMissing", letters: ["Ł", "ó"] }]);
  expect(codes(says("Lock", { font: "nowhere" }).findings)).toEqual(["fontMissing"]);
  expect(codes(says("Lock", { font: "nowhere" }, { ...facts, setter: undefined }).findings)).toEqual([]);
  const noFont = factsOf([], { setter: { ...setter, face: () => undefined } });
  expect(codes(says("Lock", {}, noFont).findings)).toEqual(["fontMissing"]);

  const pale = factsOf([], { behind: () => ({ dark: 0.72, light: 0.9 }) });
  const faint = says("Lock", { colour: "#e9e2d5" }, pale);
  expect(faint.findings).toMatchObject([{ code: "wordsFaint", contrast: 1 }]);
  expect(checkedAgain(fixedBy(faint.project, faint.findings[0]!, "readableInk", pale), pale)).toEqual([]);
  const busy = factsOf([], { behind: () => ({ dark: 0.05, light: 0.8 }) });
  expect(says("Lock", { colour: "#808080" }, busy).findings[0]).toMatchObject({ code: "wordsFaint", fixes: [] });

  // An o whose sides are 0.03 em thick, and bold 0.1 em.
  const ring = (thick: number) => (_file: number, _glyph: number) =>
    [0, thick].flatMap((by) => [
      ["M", by, -0.5 + by] as const,
      ["L", 0.5 - by, -0.5 + by] as const,
      ["L", 0.5 - by, -by] as const,
      ["L", by, -by] as const,
      ["Z"] as const,
    ]);
  const plainFace = setter.face("any")!;
  const thinFaces = {
    ...setter,
    face: (key: string) => ({ ...plainFace, key, outline: ring(key.includes("700") ? 0.1 : 0.03) }),
  };
  const night = factsOf([], { behind: () => ({ dark: 0.01, light: 0.03 }), setter: thinFaces });
  const thin = says("Lock", { colour: "#ffffff", sizePt: 9 }, night);
  expect(thin.findings).toMatchObject([
    { code: "wordsThin", fixes: ["boldWords"], strokeMm: expect.closeTo(0.095, 3) },
  ]);
  expect(checkedAgain(fixedBy(thin.project, thin.findings[0]!, "boldWords", night), night)).toEqual([]);
  expect(says("Lock", { colour: "#ffffff", sizePt: 14 }, night).findings).toEqual([]);
  const day = factsOf([], { behind: () => ({ dark: 0.9, light: 0.95 }), setter: thinFaces });
  expect(says("Lock", { colour: "#000000", sizePt: 9 }, day).findings).toEqual([]);
});

test("an original that is gone, a photo nobody knows, and colours beyond sRGB are found", () => {
  const one = [tile("a", inside, holding("p"))];
  expect(codes(checked(one, { ...facts, gone: (id) => id === "p" }).findings)).toEqual(["originalGone"]);
  expect(codes(checked([tile("a", inside, holding("nobody"))]).findings)).toEqual(["originalGone"]);
  expect(checked(one, { ...facts, beyondSrgb: () => 0.1 }).findings).toMatchObject([
    { code: "beyondSrgb", severity: "hint", share: 0.1 },
  ]);
});

test("a soft photo is put into a smaller place, or the page arranged with it smaller, only where that makes it sharp", () => {
  const plain = collage([1]);
  const others = ["a", "b", "c", "d", "e"].map((id) => photo(id, { widthPx: 6000, heightPx: 4500 }));
  const known = factsOf([photo("few", { widthPx: 620, heightPx: 465 }), ...others]);
  const soft = (page: Page) => {
    const project: Project = { ...plain, pages: [page] };
    return { project, found: checkedAgain(project, known).find((f) => f.code === "soft") };
  };
  const laid = (ids: readonly string[]) => {
    const photos = ids.map((id) => ({ id, aspect: 4 / 3 }));
    const made = layTree(placed(plain, { ...plain.pages[0]!, pieces: [] }), { photos, seed: 3, newId: counter("t") });
    if (!made.ok) throw new Error(made.code);
    return made.value.page;
  };
  const six = laid(["few", ...others.map((p) => p.id)]);
  // A person put it into the largest place.
  const there = arrangedOn(placed(plain, six));
  const largest = there.reduce((best, t) => (t.frame.width > best.frame.width ? t : best));
  const held = there.find((t) => photoIdOf(t) === "few")!;
  const fillings = new Map([
    [held.id, largest.filling],
    [largest.id, held.filling],
  ]);
  const page = mapTiles(six, (t) => ({ ...t, filling: fillings.get(t.id) ?? t.filling }));
  const { project, found } = soft(page);
  expect(found?.fixes).toEqual(["sharperPlace", "printSmaller"]);
  for (const fix of ["sharperPlace", "printSmaller"] as const) {
    const after = fixedBy(project, found!, fix, known).pages[0]!;
    expect(soft(after).found).toBeUndefined();
    expect(arrangedTiles(after)).toHaveLength(6);
  }
  // Alone on the page there is no smaller place for it.
  expect(soft(laid(["few"])).found?.fixes).toEqual([]);
});

test("words in a tile at the page's edge are set further in, where they still fit; a white edge has to suit the lab's cut", () => {
  const side = squareFormat.widthMm;
  const plain = collage([1]);
  const page = plain.pages[0]!;
  const edge = { top: 0, right: 0, bottom: side - 87, left: 0 };
  const laid = (text: string): Page => ({
    ...mapTiles(page, (t) => ({ ...t, filling: saying(text, { vertical: "top", align: "left" }) })),
    margin: edge,
  });
  const found = (of: Page) => checkedAgain({ ...plain, pages: [of] }).filter((f) => f.code === "wordsAtRisk");
  const [risk] = found(laid("At the lock"));
  expect(risk?.fixes).toEqual(["insetWords"]);
  const fixed = fixedBy({ ...plain, pages: [laid("At the lock")] }, risk!, "insetWords").pages[0]!;
  expect(found(fixed)).toEqual([]);
  // So many that there is no room left for a wider edge.
  expect(found(laid("lock ".repeat(2_000)))[0]?.fixes ?? []).toEqual([]);

  const withMargin = (mm: number) => {
    const margin = { top: mm, right: mm, bottom: mm, left: mm };
    return codes(checkedAgain({ ...plain, pages: [{ ...page, margin }] }));
  };
  expect(squareFormat.safeMm).toBeGreaterThan(4);
  expect(withMargin(2.5)).toContain("thinMargin");
  expect(withMargin(squareFormat.safeMm)).not.toContain("thinMargin");
});
