import { mmPerInch } from "#core/units";
import type { Stock } from "./plan.ts";

/** A sheet that can be printed on. Lengths in mm. */
export interface SheetSize {
  readonly id: string;
  readonly name: string;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Nothing can lie within so much of the edge. */
  readonly insetMm: number;
  /** The file reaches so far beyond the paper, at least: what is cut away there, or lost. */
  readonly outerMm: number;
  /** Of the file, as whoever prints it wants it. */
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
  /** None where nothing is known of it. */
  readonly price: number | undefined;
}

/** Lengths of paper from a roll that are tried; what is left of one stays on the roll. */
const rollLengths = 24;

const pixels = (mm: number, ppi: number): number => Math.round((mm / mmPerInch) * ppi);

/** Every size of sheet that can be had; a lab's sizes both ways round where it takes them so. */
export function sheetSizes(stock: Stock): SheetSize[] {
  switch (stock.kind) {
    case "lab": {
      const { card } = stock;
      return card.sizes
        .filter((s) => stock.sizeIds.includes(s.id))
        .flatMap((s) => {
          const made = (id: string, widthMm: number, heightMm: number): SheetSize => ({
            id,
            name: s.name,
            widthMm,
            heightMm,
            insetMm: 0,
            outerMm: card.bleedMm + card.lossMm,
            widthPx: pixels(widthMm + 2 * card.bleedMm, card.ppi.wanted),
            heightPx: pixels(heightMm + 2 * card.bleedMm, card.ppi.wanted),
            ppi: card.ppi.wanted,
            price: s.price,
          });
          const both = s.turns && s.widthMm !== s.heightMm;
          return [
            made(s.id, s.widthMm, s.heightMm),
            ...(both ? [made(`${s.id} sideways`, s.heightMm, s.widthMm)] : []),
          ];
        });
    }
    case "printer":
      return [ownSheet("paper", stock.widthMm, stock.heightMm, stock.marginMm, stock.ppi, stock.price)];
    case "roll":
      return Array.from({ length: rollLengths }, (_, i) => {
        const long = (stock.longestMm * (i + 1)) / rollLengths;
        const price = (stock.pricePerMetre * long) / 1000;
        return ownSheet(`roll ${i + 1}`, stock.widthMm, long, stock.marginMm, stock.ppi, price);
      });
  }
}

export function ownSheet(
  id: string,
  widthMm: number,
  heightMm: number,
  insetMm: number,
  ppi: number,
  price: number,
): SheetSize {
  const [widthPx, heightPx] = [pixels(widthMm, ppi), pixels(heightMm, ppi)];
  return { id, name: "", widthMm, heightMm, insetMm, outerMm: 0, widthPx, heightPx, ppi, price };
}

/** What one costs for the packing: its price; the paper where none is known, so that least of it is used. */
export const sheetCost = (size: SheetSize): number =>
  (size.price ?? 0) + size.widthMm * size.heightMm * ((size.price ?? 0) > 0 ? 1e-10 : 1e-6);
