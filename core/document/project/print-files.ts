import { identity, type Matrix, type Rect, translation } from "#core/geometry";
import { bleedBox, type PageFormat } from "#core/lab";
import { type Filling, frameRect, type Page, photoIdOf, type Tile } from "../page/page.ts";
import { arrangedOn, type PlacedPage, type PlacedTile } from "../page/place-page.ts";
import { firstOnRight, openingsOf, pageCount, pagesBefore, placed, rulesOf } from "./book.ts";
import { drawnPage } from "./page-numbers.ts";
import type { Project } from "./project.ts";

/** A page on a file: where `place` takes it, and seen inside `clip` (both in the file's own mm, from its trim's top left). */
export interface FilePart {
  readonly page: PlacedPage;
  readonly place: Matrix;
  readonly clip: Rect;
}

/** One file for the lab: what its name says, how large it is, and what is on it. */
export interface PrintFile {
  /** Number of its first page, or the cover. */
  readonly number: number | "cover";
  /** Of a card that is printed by itself: which pocket of its page it is for, from 1. */
  readonly pocket?: number;
  readonly format: PageFormat;
  readonly parts: readonly FilePart[];
  /** What the file says of its density, where its pixels are not those of its size at the format's. */
  readonly densityPpi?: number;
  /** Of a photo print: how many are wanted, and in which of the lab's sizes. */
  readonly print?: { readonly copies: number; readonly sizeId: string };
  /** Pages of the project that are on it. */
  readonly pageIds: readonly string[];
  /** What dates on it are written in. */
  readonly language: string;
}

export const fileHolds = ["lab", "pages", "spreads", "mixed"] as const;

export interface PrintFileOptions {
  /** Of a book: what a file holds. `mixed`: pages that are seen alone by themselves, all others as spreads. */
  readonly holds?: (typeof fileHolds)[number];
  /** Cut off already, for where the lab does not want to cut. */
  readonly withoutBleed?: boolean;
  /** For a screen: so many pixels along the longer side, and no bleed. */
  readonly longSidePx?: number | undefined;
}

/** Every file of a project as its lab wants them, or as it is asked for; the cover by itself, first. */
export function printFiles(
  project: Project,
  takenOf: (photoId: string) => string | undefined,
  options: PrintFileOptions = {},
): PrintFile[] {
  const files = filesHolding(project, takenOf, options.holds ?? "lab").map(
    (file): PrintFile => ({ ...file, language: project.language }),
  );
  const { longSidePx } = options;
  if (longSidePx !== undefined) return files.map((file) => forScreen(trimmed(file), longSidePx));
  return options.withoutBleed ? files.map(trimmed) : files;
}

const mmPerInch = 25.4;
/** What a file for a screen says of its density, which nobody looks at. */
const screenPpi = 72;

function forScreen(file: PrintFile, longSidePx: number): PrintFile {
  const { widthMm, heightMm } = file.format;
  const ppi = (longSidePx * mmPerInch) / Math.max(widthMm, heightMm);
  return { ...file, format: { ...file.format, ppi }, densityPpi: screenPpi };
}

function trimmed(file: PrintFile): PrintFile {
  const format: PageFormat = { ...file.format, bleedMm: 0 };
  const trim = bleedBox(format);
  const parts = file.parts.map((part) => {
    const [x, y] = [Math.max(part.clip.x, trim.x), Math.max(part.clip.y, trim.y)];
    const w = Math.min(part.clip.x + part.clip.w, trim.x + trim.w) - x;
    const h = Math.min(part.clip.y + part.clip.h, trim.y + trim.h) - y;
    return { ...part, clip: { x, y, w, h } };
  });
  return { ...file, format, parts };
}

/** A file before it is said what its dates are written in. */
type WholeFile = Omit<PrintFile, "language">;

function filesHolding(
  project: Project,
  takenOf: (photoId: string) => string | undefined,
  asked: (typeof fileHolds)[number],
): WholeFile[] {
  const drawn = (page: Page) => drawnPage(project, page, takenOf);
  const first: WholeFile[] = project.cover ? [whole("cover", drawn(project.cover))] : [];
  if (project.pockets?.output === "inserts") return project.pages.flatMap((p, i) => insertFiles(project, p, i + 1));
  if (project.kind !== "book") return [...first, ...project.pages.map((p, i) => whole(i + 1, drawn(p)))];
  const holds = asked === "lab" ? (rulesOf(project)?.files ?? "pages") : asked;
  if (holds === "pages") return [...first, ...leafFiles(project, drawn)];
  const spreads = spreadFiles(project, drawn);
  if (holds === "spreads") return [...first, ...spreads];
  const alone = new Map(leafFiles(project, drawn).map((f) => [f.number, f]));
  const byItself = (f: WholeFile) => f.parts.length === 1 && f.parts[0]!.page.page.span === 1;
  return [...first, ...spreads.map((f) => (byItself(f) ? (alone.get(f.number) ?? f) : f))];
}

const whole = (number: PrintFile["number"], page: PlacedPage): WholeFile => ({
  number,
  format: page.format,
  parts: [{ page, place: identity, clip: bleedBox(page.format) }],
  pageIds: [page.id],
  ...(page.page.print ? { print: { copies: page.page.print.copies, sizeId: page.page.print.sizeId } } : {}),
});

/** Of a spread each file takes its half, and a little of the other where the bleed at the fold is. */
function leafFiles(project: Project, drawn: (page: Page) => PlacedPage): WholeFile[] {
  const before = pagesBefore(project.pages);
  const leaf = project.format;
  return project.pages.flatMap((page, i) =>
    Array.from(
      { length: page.span },
      (_, k): WholeFile => ({
        number: before[i]! + k + 1,
        format: leaf,
        parts: [
          {
            page: drawn(page),
            place: translation(-k * leaf.widthMm, 0),
            clip: bleedBox(leaf),
          },
        ],
        pageIds: [page.id],
      }),
    ),
  );
}

function spreadFiles(project: Project, drawn: (page: Page) => PlacedPage): WholeFile[] {
  const leaf = project.format;
  const format: PageFormat = { ...leaf, widthMm: 2 * leaf.widthMm };
  const box = bleedBox(format);
  const half = box.w / 2;
  return openingsOf(project.pages, firstOnRight(project)).map((o): WholeFile => {
    if (o.spread) return { ...whole(o.firstNumber, drawn(o.spread)), format };
    const part = (page: Page, onRight: boolean): FilePart => ({
      page: drawn(page),
      place: translation(onRight ? leaf.widthMm : 0, 0),
      clip: { ...box, x: onRight ? leaf.widthMm : box.x, w: half },
    });
    const parts = [...(o.left ? [part(o.left, false)] : []), ...(o.right ? [part(o.right, true)] : [])];
    return { number: o.firstNumber, format, parts, pageIds: parts.map((p) => p.page.id) };
  });
}

/** Every photo that is drawn on a placed page, the one behind it included. */
export const photosDrawnOn = ({ look, tiles }: PlacedPage): readonly string[] => [
  ...new Set([...(look.backdrop ? [look.backdrop.view.photoId] : []), ...tiles.flatMap((t) => photoIdOf(t) ?? [])]),
];

/** Whether a placed page has anything on it, a photo or a paper behind it included. */
export const drawsAnything = ({ look, tiles, page }: PlacedPage): boolean =>
  tiles.length > 0 || look.backdrop !== null || Boolean(page.paper);

export const photosOfFile = (file: PrintFile): readonly string[] => [
  ...new Set(file.parts.flatMap((p) => photosDrawnOn(p.page))),
];

/** How many numbers the names have to hold, so that they sort as the pages do. */
export const lastNumber = (project: Project): number => pageCount(project.pages);

/** What a card is printed with around it, in mm: its own, or that of all cards. */
export const cardBleed = (project: Project, tile: Pick<Tile, "cardBleedMm">): number =>
  tile.cardBleedMm ?? project.pockets?.bleedMm ?? 0;

/** Each card of a page of pockets as a print of its own: its picture goes on into its bleed, and nothing else is on it. */
function insertFiles(project: Project, page: Page, number: number): WholeFile[] {
  const on = placed(project, page);
  return arrangedOn(on).flatMap((tile, i): WholeFile[] => {
    if (tile.filling.kind === "empty" || tile.tile.hidden) return [];
    const r = frameRect(tile.frame);
    const bleedMm = cardBleed(project, tile.tile);
    const format: PageFormat = {
      ...project.format,
      widthMm: r.w,
      heightMm: r.h,
      bleedMm,
      safeMm: Math.min(3, r.w / 8),
    };
    const part: FilePart = {
      page: cardAlone(on, tile, bleedMm),
      place: translation(-r.x, -r.y),
      clip: bleedBox(format),
    };
    return [{ number, pocket: i + 1, format, parts: [part], pageIds: [page.id] }];
  });
}

/** A page with nothing on it but one of its cards, which goes on into its bleed. */
export const cardAlone = (on: PlacedPage, tile: PlacedTile, bleedMm: number): PlacedPage => ({
  ...on,
  tiles: [grown(tile, bleedMm)],
  groups: [],
  look: {
    ...on.look,
    backdrop: null,
    ...(on.look.paper ? { paper: null } : {}),
    ...(on.look.whiteBorder ? { whiteBorder: null } : {}),
  },
});

/** A tile with its bleed; the photo in it prints as large as before where a hand has framed it. */
function grown(tile: PlacedTile, byMm: number): PlacedTile {
  const { width, height } = tile.frame;
  const frame = { ...tile.frame, width: width + 2 * byMm, height: height + 2 * byMm };
  const next: PlacedTile = { ...tile, frame, cornerMm: 0 };
  if (tile.filling.kind !== "photo" || !tile.filling.view.byHand) return next;
  const { view } = tile.filling;
  // Covering the larger tile takes a larger photo at the same zoom; which side decides does not matter for so little.
  const zoom = Math.max(1, view.zoom * Math.min(width / frame.width, height / frame.height));
  const filling: Filling = { kind: "photo", view: { ...view, zoom } };
  return { ...next, filling };
}
