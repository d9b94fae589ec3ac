import { allSides } from "#core/geometry";
import { type BookRules, formatFromCard, type LabCard, type PageFormat } from "#core/lab";
import type { PocketPattern } from "#core/pockets";
import type { Unit } from "#core/units";
import { firstLanguage, firstWordStyles } from "#core/words";
import { patternSide, pocketPage } from "../arranging/pocket-pages.ts";
import { barePage, type Look, type Page } from "../page/page.ts";
import { firstLight, noBorder, noShadow, noSoft } from "../page/plain-dress.ts";
import type { Book, Project } from "./project.ts";

/** Gap and margin in proportion to the page, to the half millimetre: 3 and 6 mm on a page of 12 inches. */
export function newStyle(format: PageFormat): Look {
  const side = Math.sqrt(format.widthMm * format.heightMm);
  const gapMm = Math.max(1, Math.round(side / 50) / 2);
  return {
    gapMm,
    margin: allSides(Math.max(2 * gapMm, format.safeMm)),
    cornerMm: 0,
    border: noBorder,
    shadow: noShadow,
    soft: noSoft,
    background: "#ffffff",
    backdrop: null,
    light: firstLight,
  };
}

export function newProject(
  what: {
    readonly name: string;
    readonly unit: Unit;
    readonly lab: LabCard | null;
    readonly format: PageFormat;
    readonly kind?: Project["kind"];
    readonly language?: string;
  },
  given: { readonly newId: () => string; readonly at: string },
): Project {
  const style = newStyle(what.format);
  return {
    schema: 2,
    id: given.newId(),
    kind: "collage",
    language: firstLanguage,
    ...what,
    style,
    pages: [barePage(given.newId)],
    book: null,
    cover: null,
    spine: null,
    pockets: null,
    palette: [],
    tones: [],
    styles: [],
    notes: [],
    accepted: [],
    sheets: null,
    words: firstWordStyles,
    createdAt: given.at,
  };
}

/** Photo prints of a lab's sizes: none yet, each to be filled to its edge. */
export function newPrints(
  what: { readonly name: string; readonly lab: LabCard; readonly language?: string },
  given: { readonly newId: () => string; readonly at: string },
): Project {
  const format = formatFromCard(what.lab, what.lab.sizes[0]!, false);
  const project = newProject({ ...what, unit: what.lab.unit, format, kind: "prints" }, given);
  return { ...project, style: { ...project.style, margin: allSides(0) } };
}

/** A book of as many bare pages as the lab binds at least. */
export function newBook(
  what: {
    readonly name: string;
    readonly unit: Unit;
    readonly lab: LabCard;
    readonly format: PageFormat;
    readonly language?: string;
  },
  given: { readonly newId: () => string; readonly at: string },
): Project {
  const rules = what.lab.book;
  if (!rules) throw new RangeError(`${what.lab.id} is no lab card of a book`);
  const project = newProject({ ...what, kind: "book" }, given);
  const pages = Array.from({ length: rules.pages.least }, () => barePage(given.newId));
  return { ...project, pages, book: firstBook(rules) };
}

const firstBook = (rules: BookRules): Book => ({
  paperId: rules.papers[0]!.id,
  coverId: rules.covers[0]!.id,
  numbers: {
    shown: false,
    place: "outer",
    running: "nothing",
    style: { ...firstWordStyles.caption, sizePt: 8, vertical: "middle", insetMm: 0 },
  },
});

/** A leaf of pocket pages, front and back. */
export function newPockets(
  what: { readonly name: string; readonly unit: Unit; readonly pattern: PocketPattern; readonly language?: string },
  given: { readonly newId: () => string; readonly at: string },
): Project {
  const { pattern, ...rest } = what;
  const format: PageFormat = {
    name: pattern.binder || "pockets",
    widthMm: pattern.widthMm,
    heightMm: pattern.heightMm,
    bleedMm: 0,
    safeMm: 3,
    ppi: 300,
    leastPpi: 150,
  };
  const project = newProject({ ...rest, lab: null, format, kind: "pockets" }, given);
  const leaf = pocketLeaf(pattern, usualClearanceMm, given.newId);
  return {
    ...project,
    pages: leaf,
    pockets: { own: [], cardClearanceMm: usualClearanceMm, bleedMm: 2, output: "inserts", welds: true },
  };
}

const usualClearanceMm = 2;

/** The front and the back of a leaf: one and the same pockets, seen from either side. */
export function pocketLeaf(
  pattern: PocketPattern,
  cardClearanceMm: number,
  newId: () => string,
): readonly [Page, Page] {
  const make = (side: "left" | "right") => pocketPage(patternSide(pattern, side), cardClearanceMm, newId);
  return [make("right"), make("left")];
}
