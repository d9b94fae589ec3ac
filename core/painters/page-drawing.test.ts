import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  allTiles,
  isGroup,
  type Page,
  type PageNote,
  type PlacedPage,
  pageAttribute,
  pageNoteIn,
  pageNoteOf,
  pagesAsDrawn,
  photosOf,
  placed,
  tileLine,
} from "#core/document";
import { checkPageNote } from "#core/document/schema";
import { type SvgElement, shapesOfSvg, tileAttribute } from "#core/drawings";
import { identity, translation } from "#core/geometry";
import { bleedBox } from "#core/lab";
import { sceneLayers } from "#core/scene";
import { counter, mixedProject } from "../document/project.fixture.ts";
import { parsed } from "../drawings/parsed.fixture.ts";
import { svgOf } from "./index.ts";
import { bareSupply } from "./painters.fixture.ts";

const project = mixedProject();
const hash = "ab".repeat(32);
const facts = { photo: () => ({ aspect: 1.5, focus: null }) };
const supply = { ...bareSupply, photo: () => ({ slot: "picture:0", toUnit: identity }) };

function drawn(pages: readonly { readonly page: PlacedPage; readonly dx: number }[]): SvgElement {
  const box = bleedBox(pages[0]!.page.format);
  const parts = pages.map(({ page, dx }) => ({
    page,
    place: translation(dx, 0),
    clip: box,
    layers: sceneLayers(page, facts).map(({ tile, steps }) =>
      tile ? { tile: { id: tile.id, name: `<${tile.id}>`, line: tileLine(tile) }, steps } : { steps },
    ),
  }));
  const text = JSON.stringify(pageNoteOf(parts, box, () => hash));
  return parsed(svgOf({ box, title: "Pages", parts, note: { attribute: pageAttribute, text } }, supply));
}

const colourOf = (c: string) => (/^#[0-9a-f]{6}$/.test(c) ? c : undefined);
const back = (root: SvgElement, idOf = (id: string) => id): readonly Page[] =>
  pagesAsDrawn(pageNoteIn(root, checkPageNote)!, shapesOfSvg(root, colourOf), idOf, counter("new")).map((n) => n.page);

/** The elements with `change` done to the one of that tile. */
const withTile = (e: SvgElement, id: string, change: (e: SvgElement) => SvgElement | undefined): SvgElement => ({
  ...e,
  children: e.children.flatMap((c) =>
    c.attributes[tileAttribute] === id ? (change(c) ?? []) : withTile(c, id, change),
  ),
});

test("pages that went out as a drawing come back as they were, wherever they lie on it", () => {
  const pages = project.pages.map((p, i) => ({ page: placed(project, p), dx: 300 * i }));
  const root = drawn(pages);
  expect(back(root)).toEqual(project.pages);
  expect(
    pageNoteIn(root, checkPageNote)!
      .photos.map((p) => p.id)
      .sort(),
  ).toEqual([...new Set(project.pages.flatMap((p) => photosOf(p, project.style)))].sort());
  const others = back(root, (id) => `other-${id}`).flatMap((p) => photosOf(p, project.style));
  expect(others.every((id) => id.startsWith("other-"))).toBe(true);
});

test("what was moved or taken out elsewhere is so here, with its photo; its neighbours stay where they were", () => {
  const page = placed(project, project.pages[0]!);
  const root = drawn([{ page, dx: 0 }]);
  fc.assert(
    fc.property(fc.constantFrom(...page.tiles), fc.integer({ min: -30, max: 30 }), (tile, by) => {
      const shift = { transform: `translate(${by} ${2 * by})` };
      const moved = withTile(root, tile.id, (e) => ({ ...e, attributes: { ...e.attributes, ...shift } }));
      const [after] = back(moved);
      const now = placed(project, after!);
      for (const was of page.tiles) {
        const is = now.tiles.find((t) => t.id === was.id)!;
        expect(is.filling).toEqual(was.filling);
        if (was.outline.kind !== "rectangle" || was.frame.turn !== 0) continue;
        const d = was.id === tile.id ? by : 0;
        expect(is.frame.centre.x - was.frame.centre.x).toBeCloseTo(d, 2);
        expect(is.frame.centre.y - was.frame.centre.y).toBeCloseTo(2 * d, 2);
      }
      const [less] = back(withTile(root, tile.id, () => undefined));
      expect(allTiles(less!).map((t) => t.id)).toEqual(
        allTiles(page.page)
          .map((t) => t.id)
          .filter((id) => id !== tile.id),
      );
    }),
  );
});

test("a tile whose unseen line was lost on the way counts as left alone, and a shape drawn beside it comes along", () => {
  const page = placed(project, project.pages[0]!);
  const tile = page.tiles.find((t) => t.groupId !== undefined)!;
  const root = withTile(drawn([{ page, dx: 0 }]), tile.id, (e) => ({ ...e, children: [] }));
  const square = { name: "path", attributes: { d: "M10 10h20v20h-20z", fill: "#336699" }, children: [], text: "" };
  const [after] = back({ ...root, children: [...root.children, square] });
  expect(after!.pieces.slice(0, -1)).toEqual(page.page.pieces);
  const added = after!.pieces.at(-1)!;
  expect(!isGroup(added) && added.filling).toEqual({ kind: "colour", colour: "#336699" });
  expect(!isGroup(added) && added.frame.centre).toEqual({ x: expect.closeTo(20, 3), y: expect.closeTo(20, 3) });
});

test("a note that is not whole is none", () => {
  const note = pageNoteOf([{ page: placed(project, project.pages[0]!), place: identity }], { x: 0, y: 0 }, () => hash);
  expect(checkPageNote(JSON.parse(JSON.stringify(note)))).toEqual(note);
  const wrong: readonly Partial<Record<keyof PageNote, unknown>>[] = [
    { version: 2 },
    { pages: [] },
    { pages: [{ ...note.pages[0]!, place: { a: 0, b: 0, c: 0, d: 0, e: 0, f: 0 } }] },
    { photos: [{ id: "x", hash: "../../etc" }] },
  ];
  for (const w of wrong) expect(checkPageNote({ ...note, ...w })).toBeUndefined();
  const root = { name: "svg", attributes: { [pageAttribute]: "{" }, children: [], text: "" };
  expect(pageNoteIn(root, checkPageNote)).toBeUndefined();
});
