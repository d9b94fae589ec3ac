import type { FilePart, PlacedTile, PrintFile, Project } from "#core/document";
import { chain, identity, type Matrix, type Rect, scaling, translation } from "#core/geometry";
import { bleedBox, type PageFormat } from "#core/lab";
import {
  type LaidCard,
  type LaidSheet,
  layOut,
  type PlannedSheet,
  type PrintSheets,
  type SheetSize,
  usableSizes,
  type Want,
} from "#core/sheets";
import { mmPerInch } from "#core/units";
import { piecePage } from "./piece-page.ts";
import { groundPage, ink, plainTile, wordsTile } from "./plain-tiles.ts";

const paper = "#ffffff";
const hairMm = 0.15;
/** Marks stand off the picture a little; shorter ones where there is little room. */
const mark = { offMm: 0.5, longMm: [4, 2] } as const;
const label = { sizePt: 5.5, highMm: 2.8, leastWideMm: 14, mostWideMm: 60, offMm: 0.6 };

/** A planned sheet with everything that its drawings and files need. */
export interface DrawnSheet {
  readonly index: number;
  readonly planned: PlannedSheet;
  readonly size: SheetSize;
  readonly laid: LaidSheet;
  /** Of each card, by its item. */
  readonly wants: ReadonlyMap<number, Want>;
  /** As the file is made, with the paper's top left at `paperAt` in its mm. */
  readonly format: PageFormat;
  readonly paperAt: { readonly x: number; readonly y: number };
}

/** The plan's sheets laid out; without those whose size or wants are not there any more. */
export function drawnSheets(sheets: PrintSheets): DrawnSheet[] {
  const { plan, wants, ways } = sheets;
  if (!plan) return [];
  const byId = new Map(wants.map((w) => [w.id, w]));
  const sizes = new Map(usableSizes(sheets).map((s) => [s.id, s]));
  const wantOf = (item: number): Want | undefined => byId.get(plan.pieces[item]?.wantId ?? "");
  return plan.sheets.flatMap((planned, index): DrawnSheet[] => {
    const of = sizes.get(planned.size);
    if (!of) return [];
    const size: SheetSize =
      planned.heightMm === of.heightMm
        ? of
        : { ...of, heightMm: planned.heightMm, heightPx: Math.round((planned.heightMm / mmPerInch) * of.ppi) };
    const laid = layOut(planned.cutting, {
      widthMm: size.widthMm,
      heightMm: size.heightMm,
      insetMm: size.insetMm,
      spacingMm: ways.spacingMm,
      spareOf: (item) => wantOf(item)?.spareMm ?? 0,
    });
    const known = laid.cards.flatMap((c) => {
      const want = wantOf(c.item);
      return want ? [[c.item, want] as const] : [];
    });
    if (known.length < laid.cards.length) return [];
    return [{ index, planned, size, laid, wants: new Map(known), ...fileFormat(size, sheets.printsAt) }];
  });
}

/**
 * The file has exactly the pixels that are asked for. What may be lost at the edge lies outside of the paper in it, so the picture is
 * a little smaller in the file than on paper; the same in both directions, and what then remains is shared out at the longer one.
 * `printsAt`: what a millimetre has come out as in a test print. Where less is lost than was said, less lies outside of the paper.
 */
export function fileFormat(
  { name, widthMm, heightMm, outerMm: said, widthPx, heightPx, insetMm }: SheetSize,
  printsAt: number,
) {
  const expected = Math.min(widthPx / (widthMm + 2 * said), heightPx / (heightMm + 2 * said));
  const perMm = expected / printsAt;
  const lost = Math.min((widthPx / perMm - widthMm) / 2, (heightPx / perMm - heightMm) / 2);
  const outerMm = printsAt === 1 ? said : Math.max(0, lost);
  const [w, h] = [widthPx / perMm - 2 * outerMm, heightPx / perMm - 2 * outerMm];
  const ppi = perMm * mmPerInch;
  const format: PageFormat = {
    name,
    widthMm: w,
    heightMm: h,
    bleedMm: outerMm,
    safeMm: insetMm,
    ppi,
    leastPpi: ppi / 2,
  };
  return { format, paperAt: { x: (w - widthMm) / 2, y: (h - heightMm) / 2 } };
}

/** How far a card's picture may go on at each side: half-way to what lies there, or out of the paper, or as far as its bleed. */
function reachOf(sheet: DrawnSheet, card: LaidCard, spacingMm: number): Rect {
  const { cell } = card;
  const bleedMm = sheet.wants.get(card.item)!.bleedMm;
  const { format, paperAt, size } = sheet;
  const box = bleedBox(format);
  const touches = (a: number, b: number) => Math.abs(a - b) < 0.02;
  const most = spacingMm > 0 ? Math.min(bleedMm, spacingMm / 2) : bleedMm;
  const free = (side: "left" | "right" | "top" | "bottom"): number => {
    const across = side === "left" || side === "right";
    const before = side === "left" || side === "top";
    const [at, from, to] = across
      ? [before ? cell.x : cell.x + cell.w, cell.y, cell.y + cell.h]
      : [before ? cell.y : cell.y + cell.h, cell.x, cell.x + cell.w];
    // Out of the paper the picture goes on as far as the file does: what is lost there must never be bare.
    if (size.insetMm === 0 && before && touches(at, 0)) return across ? paperAt.x - box.x : paperAt.y - box.y;
    const paperEnd = across ? size.widthMm : size.heightMm;
    if (size.insetMm === 0 && !before && touches(at, paperEnd))
      return across ? box.x + box.w - paperAt.x - size.widthMm : box.y + box.h - paperAt.y - size.heightMm;
    let least = most;
    for (const other of sheet.laid.cards) {
      if (other === card) continue;
      const o = other.cell;
      const [start, end] = across ? [o.x, o.x + o.w] : [o.y, o.y + o.h];
      const [low, high] = across ? [o.y, o.y + o.h] : [o.x, o.x + o.w];
      if (high < from + 0.02 || low > to - 0.02) continue;
      const gap = before ? at - end : start - at;
      if (gap > -0.02) least = Math.min(least, Math.max(0, gap) / 2);
    }
    return least;
  };
  const [left, right, top, bottom] = [free("left"), free("right"), free("top"), free("bottom")];
  return { x: cell.x - left, y: cell.y - top, w: cell.w + left + right, h: cell.h + top + bottom };
}

/** A quarter to the right, about the top left. */
const quarter: Matrix = { a: 0, b: 1, c: -1, d: 0, e: 0, f: 0 };

/** From the mm of a piece's page, of which `cut` is the piece, to the sheet's paper. */
export function cardPlace(card: LaidCard, cut: Rect): Matrix {
  const [w, h] = card.turned ? [card.h, card.w] : [card.w, card.h];
  return chain(
    translation(card.x + (card.turned ? card.w : 0), card.y),
    card.turned ? quarter : identity,
    scaling(w / cut.w, h / cut.h),
    translation(-cut.x, -cut.y),
  );
}

export interface SheetFileAsk {
  readonly project: Project;
  readonly sheets: PrintSheets;
  readonly takenOf: (photoId: string) => string | undefined;
  /** What is printed beside a card. */
  labelOf(want: Want): string;
}

/** A sheet as a file: every card with its bleed, and what to cut by beside them. */
export function sheetFile(sheet: DrawnSheet, { project, sheets, takenOf, labelOf }: SheetFileAsk): PrintFile {
  const { format, paperAt, laid, size } = sheet;
  const reach = new Map(laid.cards.map((c) => [c, reachOf(sheet, c, sheets.ways.spacingMm)]));
  const moved = (r: Rect): Rect => ({ ...r, x: r.x + paperAt.x, y: r.y + paperAt.y });
  const parts = laid.cards.flatMap((card): FilePart[] => {
    const seen = reach.get(card)!;
    const beyond = Math.max(
      card.x - seen.x,
      card.y - seen.y,
      seen.x + seen.w - card.x - card.w,
      seen.y + seen.h - card.y - card.h,
    );
    const piece = piecePage(project, sheet.wants.get(card.item)!, beyond, takenOf);
    if (!piece) return [];
    const place = chain(translation(paperAt.x, paperAt.y), cardPlace(card, piece.cut));
    return [{ page: piece.page, place, clip: moved(seen) }];
  });
  const painted = [...reach.values()];
  const beside = [
    ...(sheets.ways.marks === "outside" ? outsideMarks(sheet, painted) : []),
    ...(sheets.ways.labels === "beside" ? labels(sheet, painted, labelOf) : []),
  ].map((t, i) => ({
    ...t,
    id: `beside ${i}`,
    frame: { ...t.frame, centre: { x: t.frame.centre.x + paperAt.x, y: t.frame.centre.y + paperAt.y } },
  }));
  const ground: FilePart = {
    page: groundPage("ground", project.style, format, paper, beside),
    place: identity,
    clip: bleedBox(format),
  };
  const edges = sheets.ways.marks === "edges" ? edgeMarks(sheet).map((r) => dark(project, format, moved(r))) : [];
  return {
    number: sheet.index + 1,
    format,
    densityPpi: size.ppi,
    parts: [ground, ...parts, ...edges],
    pageIds: [],
    language: project.language,
  };
}

/** A stroke over the pictures: a dark page, seen through a slit. */
const dark = (project: Project, format: PageFormat, clip: Rect): FilePart => ({
  page: groundPage("mark", project.style, format, ink, []),
  place: identity,
  clip,
});

const meet = (a: Rect, b: Rect): boolean =>
  a.x < b.x + b.w - 0.01 && b.x < a.x + a.w - 0.01 && a.y < b.y + b.h - 0.01 && b.y < a.y + a.h - 0.01;

/** Where the sheet can be printed on, in mm of its paper. */
const printable = ({ size }: DrawnSheet): Rect => ({ x: 0, y: 0, w: size.widthMm, h: size.heightMm });

const within = (a: Rect, b: Rect): boolean =>
  a.x >= b.x && a.y >= b.y && a.x + a.w <= b.x + b.w && a.y + a.h <= b.y + b.h;

/** Short strokes in line with each card's edges, where no picture is. */
function outsideMarks(sheet: DrawnSheet, painted: readonly Rect[]): PlacedTile[] {
  const found = new Map<string, PlacedTile>();
  const put = (strokes: readonly Rect[]): void => {
    const r = strokes.find((s) => within(s, printable(sheet)) && !painted.some((p) => meet(p, s)));
    if (r) found.set([r.x, r.y, r.w].map((n) => n.toFixed(2)).join(" "), plainTile("", r, ink));
  };
  const lengths = (of: (longMm: number) => Rect) => mark.longMm.map(of);
  for (const [i, { cell }] of sheet.laid.cards.entries()) {
    const seen = painted[i]!;
    for (const edge of [cell.x, cell.x + cell.w]) {
      const x = edge - hairMm / 2;
      put(lengths((h) => ({ x, y: seen.y - mark.offMm - h, w: hairMm, h })));
      put(lengths((h) => ({ x, y: seen.y + seen.h + mark.offMm, w: hairMm, h })));
    }
    for (const edge of [cell.y, cell.y + cell.h]) {
      const y = edge - hairMm / 2;
      put(lengths((w) => ({ x: seen.x - mark.offMm - w, y, w, h: hairMm })));
      put(lengths((w) => ({ x: seen.x + seen.w + mark.offMm, y, w, h: hairMm })));
    }
  }
  return [...found.values()];
}

/** Strokes at the sheet's own edges, where a cut begins or ends there. */
function edgeMarks({ laid, size, format, paperAt }: DrawnSheet): Rect[] {
  const box = bleedBox(format);
  const strokes = new Map<string, Rect>();
  const put = (r: Rect) => strokes.set(`${r.x.toFixed(2)} ${r.y.toFixed(2)}`, r);
  const inside = size.insetMm > 0 ? 2 : 0.8;
  for (const cut of laid.cuts) {
    const down = cut.way === "down";
    const [end, outer] = down ? [size.heightMm, paperAt.y - box.y] : [size.widthMm, paperAt.x - box.x];
    for (const [at, touches] of [
      [-outer, cut.fromMm < 0.02],
      [end - inside, cut.toMm > end - 0.02],
    ] as const) {
      if (!touches) continue;
      const long = outer + inside;
      const across = cut.atMm - hairMm / 2;
      put(down ? { x: across, y: at, w: hairMm, h: long } : { x: at, y: across, w: long, h: hairMm });
    }
  }
  return [...strokes.values()];
}

/** Small words below or beside a card, where there is bare paper enough. */
function labels(sheet: DrawnSheet, painted: readonly Rect[], labelOf: (want: Want) => string): PlacedTile[] {
  const taken = [...painted];
  return sheet.laid.cards.flatMap((card): PlacedTile[] => {
    const seen = painted[sheet.laid.cards.indexOf(card)]!;
    const text = labelOf(sheet.wants.get(card.item)!);
    const w = Math.min(label.mostWideMm, Math.max(label.leastWideMm, card.w));
    const places: Rect[] = [
      { x: seen.x, y: seen.y + seen.h + label.offMm, w, h: label.highMm },
      { x: seen.x, y: seen.y - label.offMm - label.highMm, w, h: label.highMm },
      { x: seen.x + seen.w + label.offMm, y: seen.y, w: label.leastWideMm * 1.4, h: label.highMm },
    ];
    const place = places.find((r) => within(r, printable(sheet)) && !taken.some((t) => meet(t, r)));
    if (!place || text === "") return [];
    taken.push(place);
    return [wordsTile("", place, text, { sizePt: label.sizePt })];
  });
}

/** What is printed on the back of a sheet, seen from there: each card's words behind it. */
export function backFile(sheet: DrawnSheet, { project, labelOf }: SheetFileAsk): PrintFile {
  const { format, paperAt, laid, size } = sheet;
  const tiles = laid.cards.map((card, i) => {
    const x = size.widthMm - card.x - card.w;
    const r = { x: x + 2 + paperAt.x, y: card.y + card.h / 2 - 4 + paperAt.y, w: card.w - 4, h: 8 };
    return wordsTile(`back ${i}`, r, labelOf(sheet.wants.get(card.item)!), { sizePt: 8, align: "centre" });
  });
  const page = groundPage("back", project.style, format, paper, tiles);
  const part: FilePart = { page, place: identity, clip: bleedBox(format) };
  return {
    number: sheet.index + 1,
    format,
    densityPpi: size.ppi,
    parts: [part],
    pageIds: [],
    language: project.language,
  };
}
