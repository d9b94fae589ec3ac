import { expect, test } from "@jest/globals";
import { newOrnament, newPaper } from "#core/artwork";
import { type PlacedTile, placed } from "#core/document";
import { namedTones } from "#core/tone";
import { applied, collage, firstPlaced, mixedProject } from "../document/project.fixture.ts";
import { lookGiven, tonesChange } from "./index.ts";

test("papers lie as another does and in its inks, ornaments take its inks; each stays the design that it is", () => {
  const plain = collage([1.5, 1, 0.7, 1.2]);
  const [a, b, c, d] = firstPlaced(plain).tiles as [PlacedTile, PlacedTile, PlacedTile, PlacedTile];
  const paper = { ...newPaper("stripes", ["#ffffff", "#aa3322"]), scale: 2, turn: 30, ownColours: true as const };
  const ornament = { ...newOrnament("star-five", []), colours: ["#123456"], ownColours: true as const };
  const filled = applied(plain, [
    {
      type: "setTiles",
      pageId: plain.pages[0]!.id,
      items: [
        { id: a.id, set: { filling: { kind: "paper", paper } } },
        { id: b.id, set: { filling: { kind: "paper", paper: newPaper("tartan", []) } } },
        { id: c.id, set: { filling: { kind: "ornament", ornament } } },
        { id: d.id, set: { filling: { kind: "ornament", ornament: newOrnament("sun", []) } } },
      ],
    },
  ]);
  const on = firstPlaced(filled);
  const given = (from: string, to: string) =>
    firstPlaced(applied(filled, [lookGiven(on, from, [to])])).tiles.find((t) => t.id === to)!.filling;
  const papered = given(a.id, b.id);
  expect(papered).toMatchObject({ paper: { design: "tartan", scale: 2, turn: 30, ownColours: true } });
  const colours = papered.kind === "paper" ? papered.paper.colours : [];
  expect(colours).toHaveLength(newPaper("tartan", []).colours.length);
  expect(colours.slice(0, 2)).toEqual(paper.colours.slice(0, 2));
  expect(given(c.id, d.id)).toMatchObject({ ornament: { design: "sun", colours: ["#123456"], ownColours: true } });
});

test("a tile's outline, corners, border, strength and tone go to others; what is in them and the rest of the page stay", () => {
  const plain = collage([1.5, 1, 0.7, 1.2]);
  const [a, b, c, d] = firstPlaced(plain).tiles as [PlacedTile, PlacedTile, PlacedTile, PlacedTile];
  const border = { widthMm: 3, colour: "#aa3322" };
  const set = { outline: { kind: "ellipse" }, border, cornerMm: 4, opacity: 0.6 } as const;
  const dressed = applied(plain, [
    { type: "setTiles", pageId: plain.pages[0]!.id, items: [{ id: a.id, set }] },
    tonesChange(plain.pages[0]!, [a.id], () => namedTones.grey),
  ]);
  const on = firstPlaced(dressed);
  const after = firstPlaced(applied(dressed, [lookGiven(on, a.id, [a.id, b.id, d.id])]));
  const at = (id: string) => after.tiles.find((t) => t.id === id)!;
  for (const was of [b, d]) {
    expect(at(was.id)).toMatchObject({ outline: { kind: "ellipse" }, border, cornerMm: 4, frame: was.frame });
    expect(at(was.id).tile.opacity).toBe(0.6);
    expect(at(was.id).filling).toMatchObject({
      view: { ...(was.filling as { view: object }).view, tone: namedTones.grey },
    });
  }
  expect(at(c.id)).toEqual(on.tiles.find((t) => t.id === c.id));
  expect(at(a.id)).toEqual(on.tiles.find((t) => t.id === a.id));
  // A plain one gives its plainness.
  const back = firstPlaced(applied(dressed, [lookGiven(on, c.id, [a.id])])).tiles.find((t) => t.id === a.id)!;
  expect(back).toMatchObject({ outline: c.outline, border: c.border, cornerMm: c.cornerMm });
  expect(back.tile.opacity).toBeUndefined();
  expect(back.filling).toEqual(a.filling);
});

test("words give their letters to words and keep what they say; nothing is given to what is not there, or by it", () => {
  const project = mixedProject();
  for (const page of project.pages) {
    const on = placed(project, page);
    for (const from of on.tiles) {
      const change = lookGiven(on, from.id, [...on.tiles.map((t) => t.id), "gone"]);
      const after = placed(project, applied(project, [change]).pages.find((p) => p.id === page.id)!);
      for (const tile of after.tiles) {
        const was = on.tiles.find((t) => t.id === tile.id)!;
        expect(tile.filling.kind).toBe(was.filling.kind);
        if (tile.filling.kind !== "words" || was.filling.kind !== "words") continue;
        expect([tile.filling.text, tile.filling.style.turn]).toEqual([was.filling.text, was.filling.style.turn]);
        if (from.filling.kind === "words") expect(tile.filling.style.font).toBe(from.filling.style.font);
      }
    }
    expect(
      lookGiven(
        on,
        "gone",
        on.tiles.map((t) => t.id),
      ),
    ).toMatchObject({ items: [] });
  }
});
