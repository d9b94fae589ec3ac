import type { z } from "zod";
import { inset, insetSides, type Rect } from "#core/geometry";
import { ok, type Result, refused } from "#core/result";
import { mmPerInch } from "#core/units";
import type { LabCard, PrintSize } from "./card.ts";
import type { pageFormatSchema } from "./schema/page-format.ts";

/** Where paper is folded, upright across the page, and what the fold hides on each side of it. */
export interface Fold {
  readonly atMm: number;
  readonly hiddenMm: number;
}
export interface FormatRegion {
  readonly of: "left" | "right" | "backFlap" | "back" | "spine" | "front" | "frontFlap";
  readonly x: number;
  readonly w: number;
}
export interface PageFormat extends z.infer<typeof pageFormatSchema> {
  /** Of a page in a book: at its inner edge; of a spread in its middle; of a cover on both sides of the spine. */
  readonly folds?: readonly Fold[];
  /** Of a spread its two pages, of a cover its panels: where each lies across the page. */
  readonly regions?: readonly FormatRegion[];
  /** Of a cover: where its spine lies, from the trim's left. */
  readonly spine?: { readonly atMm: number; readonly widthMm: number };
}

/** Upright unless `sideways`, whichever way round the card writes the size. */
export function formatFromCard(card: LabCard, size: PrintSize, sideways: boolean): PageFormat {
  const [short, long] = [size.widthMm, size.heightMm].sort((a, b) => a - b) as [number, number];
  const turned = size.turns ? sideways : size.widthMm > size.heightMm;
  return {
    name: size.name,
    widthMm: turned ? long : short,
    heightMm: turned ? short : long,
    bleedMm: card.bleedMm,
    safeMm: card.safeMm,
    ppi: card.ppi.wanted,
    leastPpi: card.ppi.least,
    ...(card.cutWanderMm === undefined ? {} : { cutWanderMm: card.cutWanderMm }),
  };
}

/** What a page of one's own may measure. A side is what a JPEG can hold; the pixels are those of a file that can still be handled. */
export const ownSizeLimits = {
  leastMm: 20,
  mostMm: 2000,
  mostBleedMm: 25,
  leastPpi: 72,
  mostPpi: 1200,
  mostSidePx: 65_535,
  mostPixels: 600_000_000,
} as const;

export type FormatTrouble = "sizeTooSmall" | "sizeTooLarge" | "bleedOutside" | "ppiOutside" | "tooManyPixels";

export function ownFormat(size: {
  readonly name: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly bleedMm: number;
  readonly ppi: number;
}): Result<PageFormat, FormatTrouble> {
  const l = ownSizeLimits;
  const [short, long] = [Math.min(size.widthMm, size.heightMm), Math.max(size.widthMm, size.heightMm)];
  if (!(short >= l.leastMm)) return refused("sizeTooSmall", { leastMm: l.leastMm });
  if (!(long <= l.mostMm)) return refused("sizeTooLarge", { mostMm: l.mostMm });
  if (!(size.bleedMm >= 0 && size.bleedMm <= l.mostBleedMm)) return refused("bleedOutside", { mostMm: l.mostBleedMm });
  if (!(size.ppi >= l.leastPpi && size.ppi <= l.mostPpi))
    return refused("ppiOutside", { least: l.leastPpi, most: l.mostPpi });
  const format: PageFormat = {
    ...size,
    safeMm: Math.min(3, short / 8),
    leastPpi: Math.max(l.leastPpi, Math.round(size.ppi / 2)),
  };
  const px = printPixels(format);
  if (px.widthPx > l.mostSidePx || px.heightPx > l.mostSidePx || px.widthPx * px.heightPx > l.mostPixels) {
    const fits = Math.floor(size.ppi * Math.sqrt(l.mostPixels / (px.widthPx * px.heightPx)));
    return refused("tooManyPixels", { fitsPpi: Math.min(fits, Math.floor((l.mostSidePx * mmPerInch) / long)) });
  }
  return ok(format);
}

/** What a cut may be off by where nobody says: half an inch. */
export const unknownWanderMm = 12.7;
export const cutWander = ({ cutWanderMm = unknownWanderMm }: PageFormat): number => cutWanderMm;

export const trimBox = (f: PageFormat): Rect => ({ x: 0, y: 0, w: f.widthMm, h: f.heightMm });
export const bleedBox = (f: PageFormat): Rect => inset(trimBox(f), -f.bleedMm);

/** What can be seen of a page as it lies open: at a fold the bleed is not there, for the facing page begins. */
export function seenBox(f: PageFormat): Rect {
  const left = f.folds?.some((fold) => fold.atMm <= 0) ? 0 : f.bleedMm;
  const right = f.folds?.some((fold) => fold.atMm >= f.widthMm) ? 0 : f.bleedMm;
  return insetSides(trimBox(f), { top: -f.bleedMm, bottom: -f.bleedMm, left: -left, right: -right });
}

/** What a fold at an edge of the page hides there, in mm. */
export const hiddenAtEdges = (f: PageFormat): { readonly left: number; readonly right: number } => ({
  left: f.folds?.find((fold) => fold.atMm <= 0)?.hiddenMm ?? 0,
  right: f.folds?.find((fold) => fold.atMm >= f.widthMm)?.hiddenMm ?? 0,
});

/** What neither the cut nor a fold at the edge takes. */
export function safeBox(f: PageFormat): Rect {
  const hidden = hiddenAtEdges(f);
  return insetSides(trimBox(f), {
    top: f.safeMm,
    bottom: f.safeMm,
    left: f.safeMm + hidden.left,
    right: f.safeMm + hidden.right,
  });
}

/** The file's size: trim plus bleed on both sides at the format's density, to the nearest whole pixel. */
export function printPixels(f: Pick<PageFormat, "widthMm" | "heightMm" | "bleedMm" | "ppi">): {
  readonly widthPx: number;
  readonly heightPx: number;
} {
  const px = (mm: number) => Math.round(((mm + 2 * f.bleedMm) / mmPerInch) * f.ppi);
  return { widthPx: px(f.widthMm), heightPx: px(f.heightMm) };
}
