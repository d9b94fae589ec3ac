import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { newOrnament, newPaper } from "#core/artwork";
import { type FreeTile, type Look, type Project, placed, withPage } from "#core/document";
import { borderedOf, whiteBorderMm } from "#core/scene";
import { collage } from "../document/project.fixture.ts";
import { factsOf, fixedBy, holding, lying, photo, saying, tile } from "./check.fixture.ts";
import { checkPage, pageAt } from "./index.ts";

const faced = photo("p", {
  focus: { point: { x: 0.5, y: 0.5 }, faces: [{ x: 0.4, y: 0.3, w: 0.2, h: 0.3 }], from: "faces" },
});
const facts = factsOf([faced]);
const inside = { x: 60, y: 60, w: 90, h: 60 };
const photoTile = tile("a", inside, holding("p", { byHand: true, zoom: 1, centre: { x: 0.5, y: 0.5 } }));

function project(tiles: readonly FreeTile[], look: Partial<Look> = {}): Project {
  const bare = collage([1]);
  return withPage(bare, { ...lying(bare.pages[0]!.id, tiles), ...look });
}
const checked = (at: Project) =>
  checkPage(
    pageAt(at, at.pages[0]!, () => undefined),
    facts,
  );
const codesOf = (at: Project): readonly string[] => checked(at).map((f) => f.code);

test("a head under an ornament's ink is told, one inside a frame's opening or beside an arrow is not", () => {
  const face = { x: inside.x + 0.4 * 90, y: inside.y + 0.3 * 60, w: 0.2 * 90, h: 0.3 * 60 };
  const around = { x: face.x - 14, y: face.y - 14, w: face.w + 28, h: face.h + 28 };
  const over = (design: Parameters<typeof newOrnament>[0], at: typeof face, opacity?: number) =>
    codesOf(
      project([
        photoTile,
        {
          ...tile("o", at, { kind: "ornament", ornament: newOrnament(design, []) }),
          ...(opacity === undefined ? {} : { opacity }),
        },
      ]),
    );
  expect(over("sun", face)).toContain("faceCovered");
  expect(over("sun", face, 0.3)).not.toContain("faceCovered");
  expect(over("frame-plain", around)).not.toContain("faceCovered");
  expect(over("sun", { ...face, x: face.x + 30 })).not.toContain("faceCovered");
});

test("a head that was brushed away is told, one that was brought back is not", () => {
  const at = [0.5 * 8192, 0.45 * 8192 * (2 / 3), 1600].map(Math.round) as [number, number, number];
  const stroke = (does: "hide" | "show") => ({ does, strength: 1, hardness: 0.5, points: [at] });
  const brushed = (...fade: ReturnType<typeof stroke>[]) =>
    codesOf(project([tile("a", inside, holding("p", { byHand: true, zoom: 1, centre: { x: 0.5, y: 0.5 }, fade }))]));
  expect(brushed(stroke("hide"))).toContain("faceCovered");
  expect(brushed(stroke("hide"), stroke("show"))).not.toContain("faceCovered");
});

test("papers and ornaments of a newer version are told where they lie", () => {
  const design = "woven-by-moonlight";
  const paper = { ...newPaper("stripes", []), design };
  const ornament = { ...newOrnament("sun", []), design };
  const found = checked(
    project(
      [tile("b", inside, { kind: "paper", paper }), tile("c", { ...inside, y: 130 }, { kind: "ornament", ornament })],
      { paper },
    ),
  ).filter((f) => f.code === "unknownDesign");
  expect(found.map((f) => f.spots[0]!.tileIds)).toEqual([[], ["b"], ["c"]]);
  expect(codesOf(project([], { paper: newPaper("stripes", []) }))).not.toContain("unknownDesign");
});

test("an even border has one width on all sides and hides little of two; all of the page is kept where that is asked for", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 60, max: 400, noNaN: true }),
      fc.double({ min: 60, max: 400, noNaN: true }),
      fc.double({ min: 0, max: 0.3, noNaN: true }),
      fc.boolean(),
      (widthMm, heightMm, share, whole) => {
        const look = {
          by: { unit: "share", share },
          colour: "#ffffff",
          ...(whole ? { whole: true as const } : {}),
        } as const;
        const format = { ...collage([1]).format, widthMm, heightMm };
        const style = collage([1]).style;
        const { opening, seen, place } = borderedOf({ look: { ...style, whiteBorder: look }, format })!;
        const by = whiteBorderMm(look, format);
        expect(by).toBeCloseTo(share * Math.min(widthMm, heightMm), 6);
        const gaps = [opening.x, opening.y, widthMm - opening.x - opening.w, heightMm - opening.y - opening.h];
        if (whole) {
          expect(Math.min(...gaps)).toBeCloseTo(by, 6);
          expect([seen.x, seen.y, seen.w - widthMm, seen.h - heightMm].map(Math.abs).every((v) => v < 1e-6)).toBe(true);
        } else for (const gap of gaps) expect(gap).toBeCloseTo(by, 6);
        // What is seen of the page lies just in the opening, as wide as it is high.
        expect(place.a).toBeCloseTo(place.d, 9);
        expect(place.a * seen.x + place.e).toBeCloseTo(opening.x, 6);
        expect(place.d * (seen.y + seen.h) + place.f).toBeCloseTo(opening.y + opening.h, 6);
        expect(seen.w).toBeLessThanOrEqual(widthMm + 1e-6);
      },
    ),
  );
});

test("a border that the cut can make crooked is told and made wider; words under an even one are told, and the whole page is kept", () => {
  const border = (mm: number) => ({ by: { unit: "mm", mm }, colour: "#ffffff" }) as const;
  const thin = project([], { whiteBorder: border(12) });
  const [found] = checked(thin).filter((f) => f.code === "thinWhiteBorder");
  expect(found).toMatchObject({ widthMm: 12, wanderMm: 12.7, told: false });
  const wider = fixedBy(thin, found!, "widerWhiteBorder", facts);
  expect(codesOf(wider)).not.toContain("thinWhiteBorder");
  expect(codesOf({ ...thin, format: { ...thin.format, cutWanderMm: 2 } })).not.toContain("thinWhiteBorder");
  const wide = { ...collage([1]).format, widthMm: 300, heightMm: 150 };
  const words = tile("w", { x: 100, y: 4, w: 80, h: 8 }, saying("By the lock"));
  const cut = { ...project([words], { whiteBorder: border(20) }), format: wide };
  const [under] = checked(cut).filter((f) => f.code === "whiteBorderCuts");
  expect(under!.spots[0]!.tileIds).toEqual(["w"]);
  const whole = fixedBy(cut, under!, "wholeInBorder", facts);
  expect(codesOf(whole)).not.toContain("whiteBorderCuts");
  expect(placed(whole, whole.pages[0]!).look.whiteBorder).toMatchObject({ whole: true });
});

test("a head that an even border hides more than a little of is told, and the whole page is kept", () => {
  const wide = { ...collage([1]).format, widthMm: 300, heightMm: 150 };
  // An even border of 20 mm leaves 110 mm of height for 150: of those 11.54 go at the top, and the head is 18 mm high.
  const known = factsOf([
    photo("p", { focus: { point: { x: 0.5, y: 0.2 }, faces: [{ x: 0.4, y: 0.05, w: 0.2, h: 0.3 }], from: "faces" } }),
  ]);
  const at = (headFromMm: number): Project => ({
    ...project([tile("a", { x: 100, y: headFromMm - 3, w: 90, h: 60 }, photoTile.filling)], {
      whiteBorder: { by: { unit: "mm", mm: 20 }, colour: "#ffffff" },
    }),
    format: wide,
  });
  const found = (on: Project) =>
    checkPage(
      pageAt(on, on.pages[0]!, () => undefined),
      known,
    ).filter((f) => f.code === "whiteBorderHeads");
  expect(found(at(20))).toEqual([]);
  expect(found(at(9.6))).toEqual([]);
  const [hidden] = found(at(9));
  expect(hidden).toMatchObject({ faces: 1, severity: "doubt", fixes: ["wholeInBorder"] });
  expect(found(fixedBy(at(9), hidden!, "wholeInBorder", known))).toEqual([]);
});
