import { expect, test } from "@jest/globals";
import {
  arrangedTiles,
  type FreeTile,
  freeTiles,
  layTree,
  lookChange,
  mapTiles,
  type Project,
  withPage,
} from "#core/document";
import { bleedBox } from "#core/lab";
import { collage, counter, firstPlaced, squareFormat } from "../document/project.fixture.ts";
import {
  applied,
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
  tile,
} from "./check.fixture.ts";
import { checkPage, type Finding, pageAt, worstFirst } from "./index.ts";
import { riskOf } from "./places.ts";

test("a page with nothing wrong has no findings", () => {
  expect(
    checked([tile("a", inside, holding("p")), tile("b", { x: 60, y: 110, w: 60, h: 10 }, saying("By the lock"))])
      .findings,
  ).toEqual([]);
});

test("an empty tile is found, and is taken away with those beside it taking its room", () => {
  const project = collage([1, 1.5, 1]);
  const newId = counter("t");
  const laid = layTree(firstPlaced(project), {
    photos: ["p", "q", "r"].map((id) => ({ id, aspect: 1.5 })),
    seed: 1,
    newId,
  });
  if (!laid.ok) throw new Error(laid.code);
  const { page } = laid.value;
  const hole = arrangedTiles(page)[0]!.id;
  const holed = withPage(
    project,
    mapTiles(page, (t) => (t.id === hole ? { ...t, filling: { kind: "empty" } } : t)),
  );
  const known = factsOf([photo("p"), photo("q"), photo("r")]);
  const [finding] = checkedAgain(holed, known);
  expect(finding?.code).toBe("emptyTile");
  expect(codes(checkedAgain(fixedBy(holed, finding!, "takeAway", known), known))).toEqual([]);
});

test("of a turned print with a white edge and a foot nothing is bare", () => {
  const border = { widthMm: 3, footMm: 12, colour: "#ffffff" };
  const print = { ...tile("a", { ...inside, w: 66, h: 55 }, holding("p")), border };
  for (const turn of [0, 7, -12])
    expect(codes(checked([{ ...print, frame: { ...print.frame, turn } }]).findings)).toEqual([]);
});

test("what ends at the trim is short of the bleed, and is pulled out to it and no further", () => {
  const { widthMm, bleedMm } = squareFormat;
  const { project, findings } = checked([tile("a", { x: 0, y: 100, w: widthMm, h: 60 }, holding("p"))]);
  expect(findings).toMatchObject([{ code: "shortOfBleed", edges: ["left", "right"], bleedMm }]);
  const right = fixedBy(project, findings[0]!, "reachBleed");
  expect(checkedAgain(right)).toEqual([]);
  const { frame } = freeTiles(right.pages[0]!)[0]!;
  expect([frame.width, frame.height]).toEqual([bleedBox(squareFormat).w, 60]);
  expect(codes(checked([tile("a", { x: 2, y: 100, w: 40, h: 60 }, holding("p"))]).findings)).toEqual([]);
});

test("a margin or a border thinner than a knife is exact is found, with both ways out of a margin", () => {
  const thin = applied(collage([1.5, 1]), []);
  const page = thin.pages[0]!;
  const narrow: Project = applied(thin, [
    lookChange(page, { ...thin.style, margin: { top: 1, right: 8, bottom: 8, left: 0 } }, thin.style),
  ]);
  const known = factsOf([photo("p0"), photo("p1")]);
  const [finding] = checkedAgain(narrow, known).filter((f) => f.code === "thinMargin");
  expect(finding).toMatchObject({ marginMm: 1, edges: ["top"] });
  for (const fix of ["fullBleed", "widerMargin"] as const)
    expect(codes(checkedAgain(fixedBy(narrow, finding!, fix, known), known))).not.toContain("thinMargin");

  const bordered = (widthMm: number) => {
    const t = tile("a", { x: -3, y: -3, w: 100, h: 80 }, holding("p"));
    return checked([{ ...t, border: { widthMm, colour: "#000000" } }]);
  };
  expect(codes(bordered(6).findings)).toEqual([]);
  const { project, findings } = bordered(4);
  expect(findings).toMatchObject([{ code: "thinBorder", leftMm: 4 }]);
  expect(checkedAgain(fixedBy(project, findings[0]!, "dropBorder"))).toEqual([]);
});

test("a shadow that the cut takes a part of and a soft edge that stays visible are found, and mended", () => {
  const shadow = { falls: "under", strength: 0.5, colour: "#000000", liftMm: 6 } as const;
  const near = { ...tile("a", { x: 60, y: 60, w: squareFormat.widthMm - 64, h: 60 }, holding("p")), shadow };
  const { project, findings } = checked([near]);
  expect(findings).toMatchObject([{ code: "shadowCut" }]);
  for (const fix of ["lowerShadow", "noShadow"] as const)
    expect(checkedAgain(fixedBy(project, findings[0]!, fix))).toEqual([]);
  const well = { ...near, frame: { ...near.frame, width: 90 } };
  expect(checked([well]).findings).toEqual([]);
  for (const none of [{ falls: "inside" }, { falls: "none" }, { strength: 0 }] as const)
    expect(checked([{ ...near, shadow: { ...shadow, ...none } }]).findings).toEqual([]);
  expect(checked([{ ...near, shadow: { ...shadow, strength: 1 } }]).findings).toMatchObject([{ code: "shadowCut" }]);

  const round = {
    ...tile("a", { x: 60, y: 60, w: 90, h: 60 }, holding("p")),
    outline: { kind: "ellipse" } as const,
    soft: { top: 4, right: 4, bottom: 12, left: 4 },
  };
  const soft = checked([round]);
  expect(soft.findings).toMatchObject([{ code: "softEnds" }]);
  expect(checkedAgain(fixedBy(soft.project, soft.findings[0]!, "evenSoft"))).toEqual([]);
  expect(checked([{ ...round, outline: { kind: "rectangle" } }]).findings).toEqual([]);
});

test("a book's bare page is found until it is kept on purpose; that a collage's goes into no file is only said", () => {
  const project = book();
  const page = project.pages[2]!;
  const [finding] = checkPage(
    pageAt(project, page, () => undefined),
    facts,
  );
  expect(finding?.code).toBe("blankPage");
  const kept = fixedBy(project, finding!, "keepBlank");
  expect(
    checkPage(
      pageAt(kept, kept.pages[2]!, () => undefined),
      facts,
    ),
  ).toEqual([]);
  const { page: bare, ...at } = pageAt(project, page, () => undefined);
  const collage = { ...at, page: bare, kind: "collage" as const };
  expect(checkPage(collage, facts)).toMatchObject([{ code: "pageLeftOut", severity: "hint", fixes: [] }]);
  expect(checkPage({ ...collage, begun: false }, facts)).toEqual([]);
  expect(checkPage({ ...collage, kind: "pockets" }, facts)).toEqual([]);
});

test("a finding keeps its mark until its place changes, and only then", () => {
  const at = (w: number, more: readonly FreeTile[] = []) =>
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
  expect(worstFirst([...findings].reverse(), project).map((f) => f.severity)).toEqual(
    ["wrong", "wrong", "doubt"].slice(3 - findings.length),
  );
  const doubt = (code: "faceCropped" | "wordsSmall", pageId: string) =>
    ({ ...findings[0]!, code, severity: "doubt", spots: [{ pageId, tileIds: [] }] }) as Finding;
  const pageId = project.pages[0]!.id;
  const mixed = [doubt("faceCropped", pageId), doubt("wordsSmall", pageId)];
  expect(worstFirst(mixed, project).map((f) => f.code)).toEqual(["wordsSmall", "faceCropped"]);
});

test("at a fold whatever reaches into what it hides is at risk, be it hidden by half a millimetre; at one that hides nothing it is not", () => {
  const folded = (hiddenMm: number) => ({ ...squareFormat, folds: [{ atMm: 150, hiddenMm }] });
  const over = { x: 140, y: 100, w: 20, h: 10 };
  expect(riskOf(over, folded(0.5))).toEqual({ risk: "fold", beyondMm: 10.5 });
  expect(riskOf(over, folded(0))).toBeUndefined();
  expect(riskOf({ ...over, x: 120 }, folded(9))).toBeUndefined();
  expect(riskOf({ ...over, x: 120, w: 23 }, folded(9))).toEqual({ risk: "fold", beyondMm: 2 });
  // Nearer to the cut than is safe, and beyond it.
  const { widthMm, safeMm } = squareFormat;
  expect(riskOf({ ...over, x: widthMm - safeMm - 18 }, squareFormat)).toEqual({
    risk: "near",
    beyondMm: expect.closeTo(2, 6),
  });
  expect(riskOf({ ...over, x: widthMm - 17 }, squareFormat)).toEqual({ risk: "cut", beyondMm: expect.closeTo(3, 6) });
});
