import type { Cutting, PlacedItem } from "#core/packing";

/** A card as it lies on a sheet, in mm from the paper's top left, as large as it is wanted. */
export interface LaidCard extends PlacedItem {
  /** As it is cut: a little more where a cut was saved by it. */
  readonly cell: { readonly x: number; readonly y: number; readonly w: number; readonly h: number };
}

/** One cut through the piece in hand, from edge to edge. */
export interface Cut {
  /** In the order to make them, from 1. */
  readonly number: number;
  /** Down the sheet, or across it. */
  readonly way: "down" | "across";
  /** From the paper's left for a cut down, from its top for one across. */
  readonly atMm: number;
  /** Where it begins and ends, in the other direction. */
  readonly fromMm: number;
  readonly toMm: number;
  /** What the trimmer is set to: from the left or top edge of the piece in hand. */
  readonly setMm: number;
  /** What is not needed afterwards: the strip that was measured, or the rest of the piece. */
  readonly waste: "strip" | "rest" | undefined;
}

export interface LaidSheet {
  readonly cards: readonly LaidCard[];
  readonly cuts: readonly Cut[];
}

export interface SheetToCut {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly insetMm: number;
  readonly spacingMm: number;
  /** How much larger an item may be left, in each direction. */
  spareOf(item: number): number;
}

/** Lengths that differ by less are the same to a knife. */
const hair = 0.01;

interface Piece {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

/**
 * Where everything lies, and the cuts that take it apart, in an order in which each cut goes from edge to edge of the piece in
 * hand: first what is waste, then all cuts of a row, then its parts from the left or the top. What is left over of a row is
 * shared out among its cards where they may be left so much larger, so that nothing has to be cut off.
 */
export function layOut(cutting: Cutting, sheet: SheetToCut): LaidSheet {
  const cards: LaidCard[] = [];
  const cuts: Cut[] = [];
  const { spacingMm } = sheet;
  const spareIn = spares(sheet);

  const cut = (way: Cut["way"], piece: Piece, setMm: number, waste: Cut["waste"]): void => {
    const down = way === "down";
    const atMm = (down ? piece.x : piece.y) + setMm;
    const [fromMm, toMm] = down ? [piece.y, piece.y + piece.h] : [piece.x, piece.x + piece.w];
    cuts.push({ number: cuts.length + 1, way, atMm, fromMm, toMm, setMm, waste });
  };

  /** What is not needed and cannot be left on goes first. */
  const trimmed = (part: Cutting, piece: Piece, way: Cut["way"]): Piece => {
    const down = way === "down";
    const need = needOf(part, way, spacingMm);
    const have = down ? piece.w : piece.h;
    if (have - need <= hair || have - need <= spareIn(part, way) + hair) return piece;
    cut(way, piece, need, "rest");
    return down ? { ...piece, w: need } : { ...piece, h: need };
  };

  const take = (part: Cutting, whole: Piece): void => {
    if ("item" in part) {
      const piece = trimmed(part, trimmed(part, whole, "across"), "down");
      const [w, h] = [part.w - spacingMm, part.h - spacingMm];
      const [x, y] = [piece.x + (piece.w - w) / 2, piece.y + (piece.h - h) / 2];
      cards.push({ item: part.item, turned: part.turned, x, y, w, h, cell: piece });
      return;
    }
    const way = part.across ? "down" : "across";
    const piece = trimmed(part, trimmed(part, whole, part.across ? "across" : "down"), way);
    const have = part.across ? piece.w : piece.h;
    const free = Math.max(0, have - needOf(part, way, spacingMm));
    const all = part.parts.reduce((sum, p) => sum + spareIn(p, way), 0);
    let rest = piece;
    const pieces: Piece[] = [];
    for (const [i, p] of part.parts.entries()) {
      const last = i === part.parts.length - 1;
      const room = part.across ? rest.w : rest.h;
      const size = last ? room : needOf(p, way, spacingMm) + (all > 0 ? (free * spareIn(p, way)) / all : 0);
      pieces.push(part.across ? { ...rest, w: size } : { ...rest, h: size });
      if (last) break;
      cut(way, rest, size, undefined);
      rest = after(rest, part.across, size);
      if (spacingMm > hair) {
        cut(way, rest, spacingMm, "strip");
        rest = after(rest, part.across, spacingMm);
      }
    }
    for (const [i, p] of part.parts.entries()) take(p, pieces[i]!);
  };

  let paper: Piece = { x: 0, y: 0, w: sheet.widthMm, h: sheet.heightMm };
  if (sheet.insetMm > hair) {
    for (const way of ["across", "down"] as const) {
      cut(way, paper, sheet.insetMm, "strip");
      paper = after(paper, way === "down", sheet.insetMm);
    }
  }
  take(cutting, paper);
  return { cards, cuts };
}

const after = (p: Piece, across: boolean, by: number): Piece =>
  across ? { ...p, x: p.x + by, w: p.w - by } : { ...p, y: p.y + by, h: p.h - by };

/** A part's size without what lies behind it. */
const needOf = (part: Cutting, way: Cut["way"], spacingMm: number): number =>
  (way === "down" ? part.w : part.h) - spacingMm;

/** How much larger a part may be left in a direction before something has to be cut off. */
function spares({ spacingMm, spareOf }: SheetToCut) {
  const spareIn = (part: Cutting, way: Cut["way"]): number => {
    if (spacingMm > hair) return 0;
    if ("item" in part) return spareOf(part.item);
    const along = part.across === (way === "down");
    if (along) return part.parts.reduce((sum, p) => sum + spareIn(p, way), 0);
    const need = needOf(part, way, spacingMm);
    let least = Number.POSITIVE_INFINITY;
    for (const p of part.parts) {
      const [own, spare] = [needOf(p, way, spacingMm), spareIn(p, way)];
      // What has to be trimmed anyway sets no limit.
      if (own + spare >= need - hair) least = Math.min(least, own + spare - need);
    }
    return Number.isFinite(least) ? Math.max(0, least) : 0;
  };
  return spareIn;
}
