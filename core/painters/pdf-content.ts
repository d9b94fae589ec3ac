import type { FilePart } from "#core/document";
import { nums } from "#core/files";
import { chain, identity, type Matrix, type PathData, type Rect, record, traceRoundedRect } from "#core/geometry";
import {
  type BeginStep,
  type DrawStep,
  maskMatrix,
  type PhotoStep,
  type PlacedMask,
  type ShadeStep,
} from "#core/scene";
import { glyphMatrix } from "#core/words";

/** Names under which a page's content finds what stands elsewhere in the file. */
export interface PdfNames {
  /** Undefined leaves the photo out. */
  photo(step: PhotoStep): { readonly name: string; readonly toUnit: Matrix } | undefined;
  glyph(face: string, file: number, id: number): { readonly font: string } | undefined;
  /** Its outline (in em), where its font must not go into files. */
  letter?(face: string, file: number, id: number): PathData | undefined;
  alpha(value: number): string;
  /** One colour seen through a mask, over a unit square whose rows count from its foot. */
  shade(step: ShadeStep): string;
  /** What is drawn after it is seen through a mask alone, and as strongly as said (a soft mask: ISO 32000-1, 11.6.5.3). */
  soft(soft: PlacedMask, opacity: number): string;
  /** Operators that draw a shape, kept beside the page and drawn again and again (a form: ISO 32000-1, 8.10). */
  form(content: string): string;
  /** Operators that draw one thing, kept beside the page under a name (a transparency group: ISO 32000-1, 11.6.6). */
  group(content: string): string;
}

export interface PdfSheet {
  readonly parts: readonly (Pick<FilePart, "place" | "clip"> & { readonly steps: readonly DrawStep[] })[];
  /** From the file's mm, y down, to points from the page's foot. */
  readonly toPoints: Matrix;
  readonly marks?: PrintersMarks | undefined;
  /** Pictures under all that is drawn, each over a rectangle. */
  readonly under?: readonly { readonly name: string; readonly box: Rect }[];
  /** Whether pure black words are to be black ink alone. */
  readonly blackAlone?: boolean;
}

/** Lines outside of all that is printed, in mm. */
export interface PrintersMarks {
  readonly lines: readonly MarkLine[];
  /** Where it is folded, not cut. */
  readonly dashed: readonly MarkLine[];
  /** Circles with a cross, by which the inks are laid over each other. */
  readonly register: readonly { readonly x: number; readonly y: number }[];
}
type MarkLine = readonly [x0: number, y0: number, x1: number, y1: number];

/** A sheet as operators of a PDF (ISO 32000-1, annex A): outlines stay outlines, and words stay words. */
export function pdfContent(sheet: PdfSheet, names: PdfNames): string {
  const out: string[] = [`q ${matrix(sheet.toPoints)} cm`];
  for (const { name, box } of sheet.under ?? [])
    out.push(`q ${fine(box.w, 0, 0, -box.h)} ${nums(box.x, box.y + box.h)} cm /${name} Do Q`);
  for (const { steps, place, clip } of sheet.parts) {
    out.push(`q ${rect(clip)} re W n`);
    if (place !== identity) out.push(`${matrix(place)} cm`);
    out.push(...partLines(steps, names, sheet.blackAlone ?? false));
    out.push("Q");
  }
  if (sheet.marks) out.push(...markLines(sheet.marks));
  out.push("Q");
  return out.join("\n");
}

function partLines(steps: readonly DrawStep[], names: PdfNames, blackAlone: boolean): string[] {
  const out: string[] = [];
  const open: { readonly begin: BeginStep; readonly lines: string[] }[] = [];
  for (const step of steps) {
    if (step.draw === "begin") {
      open.push({ begin: step, lines: [] });
      continue;
    }
    const group = step.draw === "end" ? open.pop() : undefined;
    const lines = open.at(-1)?.lines ?? out;
    if (step.draw !== "end") lines.push(...stepLines(step, names, blackAlone));
    else if (group) {
      const { soft, opacity } = group.begin;
      const seen = soft ? names.soft(soft, opacity) : names.alpha(opacity);
      lines.push(`q /${seen} gs /${names.group(group.lines.join("\n"))} Do Q`);
    }
  }
  return out;
}

function markLines({ lines, dashed, register }: PrintersMarks): string[] {
  const stroke = ([x0, y0, x1, y1]: MarkLine) => `${nums(x0, y0)} m ${nums(x1, y1)} l S`;
  const [r, far] = [registerMm / 3, registerMm / 2];
  return [
    "q 0 0 0 RG 0.09 w",
    ...lines.map(stroke),
    ...register.flatMap(({ x, y }) => [
      `${outline(record((to) => traceRoundedRect({ x: x - r, y: y - r, w: 2 * r, h: 2 * r }, r, to)))} S`,
      stroke([x - far, y, x + far, y]),
      stroke([x, y - far, x, y + far]),
    ]),
    "[1 0.6] 0 d",
    ...dashed.map(stroke),
    "Q",
  ];
}

const matrix = ({ a, b, c, d, e, f }: Matrix): string => `${fine(a, b, c, d)} ${nums(e, f)}`;
/** Factors need more decimals than lengths: a photo is hundreds of mm wide. */
const fine = (...values: readonly number[]): string =>
  values
    .map((v) =>
      v
        .toFixed(7)
        .replace(/\.?0+$/, "")
        .replace(/^-0$/, "0"),
    )
    .join(" ");
const rect = (r: Rect): string => nums(r.x, r.y, r.w, r.h);

const outline = (path: PathData): string => path.map(segmentWords).join(" ");

function segmentWords(s: PathData[number]): string {
  switch (s[0]) {
    case "M":
      return `${nums(s[1], s[2])} m`;
    case "L":
      return `${nums(s[1], s[2])} l`;
    case "C":
      return `${nums(s[1], s[2], s[3], s[4], s[5], s[6])} c`;
    case "Z":
      return "h";
  }
}

const channel = (colour: string, at: number): number => Number.parseInt(colour.slice(at, at + 2), 16) / 255;
const rgb = (colour: string): string => nums(channel(colour, 1), channel(colour, 3), channel(colour, 5));

function stepLines(step: Exclude<DrawStep, { draw: "begin" | "end" }>, names: PdfNames, blackAlone: boolean): string[] {
  switch (step.draw) {
    case "fill": {
      const paint = `${rgb(step.colour)} rg ${outline(step.path)} ${step.rule === "evenodd" ? "f*" : "f"}`;
      return step.alpha === undefined ? [paint] : [`q /${names.alpha(step.alpha)} gs ${paint} Q`];
    }
    case "photo": {
      const photo = names.photo(step);
      if (!photo) return [];
      const { a, b, c, d, e, f } = photo.toUnit;
      // A picture's rows count from its foot.
      const stood = `${fine(a, b, -c, -d)} ${fine(c + e, d + f)}`;
      return [`q ${outline(step.clip)} W n ${matrix(step.matrix)} cm ${stood} cm /${photo.name} Do Q`];
    }
    case "paper": {
      const shapes = step.fills.map(({ colour, path, at }) => {
        const shape = `${outline(path)} f`;
        if (at.length === 1) return `q ${rgb(colour)} rg 1 0 0 1 ${nums(at[0]!.x, at[0]!.y)} cm ${shape} Q`;
        const form = names.form(shape);
        return [`q ${rgb(colour)} rg`, ...at.map((p) => `q 1 0 0 1 ${nums(p.x, p.y)} cm /${form} Do Q`), "Q"].join(
          "\n",
        );
      });
      const clip = outline(step.clip);
      return [`q ${rgb(step.ground)} rg ${clip} f ${clip} W n ${matrix(step.place)} cm`, ...shapes, "Q"];
    }
    case "shade": {
      const clip = step.clip ? `${outline(step.clip)} W* n ` : "";
      const seen = step.alpha < 1 ? `/${names.alpha(step.alpha)} gs ` : "";
      return [`q ${clip}${seen}${maskPlace(step.soft)} cm /${names.shade(step)} Do Q`];
    }
    case "words":
      return wordLines(step, names, blackAlone);
  }
}

/** Where a mask's picture lies, whose rows count from its foot. */
export const maskPlace = (soft: PlacedMask): string =>
  matrix(chain(maskMatrix(soft), { a: 1, b: 0, c: 0, d: -1, e: 0, f: 1 }));

/** So dark and so grey that nobody would tell it from black, which a press would print with all its inks. */
function isBlack(colour: string): boolean {
  const channels = [1, 3, 5].map((at) => channel(colour, at));
  return Math.max(...channels) <= 0.15 && Math.max(...channels) - Math.min(...channels) <= 0.03;
}

function wordLines(step: Extract<DrawStep, { draw: "words" }>, names: PdfNames, blackAlone: boolean): string[] {
  const ink = blackAlone && isBlack(step.colour) ? "0 g" : `${rgb(step.colour)} rg`;
  const drawn = letterShapes(step, names, ink);
  if (drawn) return drawn;
  const { outline } = step;
  const letters: string[] = [];
  let font = "";
  for (const g of step.glyphs) {
    const use = names.glyph(step.face, g.file, g.id);
    if (!use) continue;
    if (use.font !== font) {
      font = use.font;
      letters.push(`/${font} ${nums(step.sizeMm)} Tf`);
    }
    const [cos, sin] = [Math.cos(g.turn ?? 0), Math.sin(g.turn ?? 0)];
    const place = g.turn ? `${fine(cos, sin, sin, -cos)}` : "1 0 0 -1";
    letters.push(`${place} ${fine(g.x, g.y)} Tm <${g.id.toString(16).padStart(4, "0")}> Tj`);
  }
  const stands = `q ${matrix(step.matrix)} cm`;
  if (!outline) return [`${stands} ${ink} BT`, ...letters, "ET Q"];
  // The lines beneath are no text of their own: whoever copies it gets it once.
  return [
    `${stands} /Artifact BMC q ${rgb(outline.colour)} RG ${nums(outline.widthMm)} w 1 j BT 1 Tr`,
    ...letters,
    "ET Q EMC",
    `${ink} BT`,
    ...letters,
    "ET Q",
  ];
}

/** Letters of a font that must not go into files, as shapes that are no text any more. */
function letterShapes(
  { face, glyphs, sizeMm, matrix: stands, outline: line }: Extract<DrawStep, { draw: "words" }>,
  { letter }: PdfNames,
  ink: string,
): string[] | undefined {
  const shapes = glyphs.flatMap((g) => {
    const path = letter?.(face, g.file, g.id);
    return path ? [{ place: glyphMatrix(g, sizeMm), path: path.length > 0 ? outline(path) : "" }] : [];
  });
  if (shapes.length === 0) return undefined;
  const all = (paint: string) =>
    shapes.flatMap(({ place, path }) => (path ? [`q ${matrix(place)} cm ${path} ${paint} Q`] : []));
  const beneath = line ? [`q ${rgb(line.colour)} RG ${nums(line.widthMm / sizeMm)} w 1 j`, ...all("S"), "Q"] : [];
  return [`q ${matrix(stands)} cm`, ...beneath, ink, ...all("f"), "Q"];
}

const markMm = 5;
const markGapMm = 1;
const registerMm = 4;

/** From the trim's left. */
export interface MarkedPlaces {
  readonly foldsMm: readonly number[];
  readonly spine?: { readonly atMm: number; readonly widthMm: number } | undefined;
}

/**
 * What a printer needs to see beside a page: two lines at each corner where the cut falls, dashed ones where it is folded, a bar as wide as
 * the spine from fold to fold, and a register mark at the middle of each side. All of it outside of what is printed.
 */
export function printersMarks(trim: Rect, bleedMm: number, { foldsMm, spine }: MarkedPlaces): PrintersMarks {
  const near = bleedMm + markGapMm;
  const far = near + markMm;
  const [x0, y0, x1, y1] = [trim.x, trim.y, trim.x + trim.w, trim.y + trim.h];
  const upright = (x: number): MarkLine[] => [
    [x, y0 - far, x, y0 - near],
    [x, y1 + near, x, y1 + far],
  ];
  const level = (y: number): MarkLine[] => [
    [x0 - far, y, x0 - near, y],
    [x1 + near, y, x1 + far, y],
  ];
  // A fold at the middle would lie in the mark.
  const beside = foldsMm.some((at) => Math.abs(at - trim.w / 2) < registerMm) ? 2 * registerMm : 0;
  const middle = { x: (x0 + x1) / 2 + beside, y: (y0 + y1) / 2 };
  const off = near + registerMm / 2;
  const bars = spine
    ? [y0 - far, y1 + far].map((y): MarkLine => [x0 + spine.atMm, y, x0 + spine.atMm + spine.widthMm, y])
    : [];
  return {
    lines: [...[x0, x1].flatMap(upright), ...[y0, y1].flatMap(level), ...bars],
    dashed: foldsMm.flatMap((at) => upright(x0 + at)),
    register: [
      { x: middle.x, y: y0 - off },
      { x: middle.x, y: y1 + off },
      { x: x0 - off, y: middle.y },
      { x: x1 + off, y: middle.y },
    ],
  };
}

/** Room for the marks around a page. */
export const marksMm = markMm + markGapMm + 1;

/** Where a line stands that says which page this is: under the trim, between cut mark and register mark. */
export const slugBox = (trim: Rect, bleedMm: number): Rect => ({
  x: trim.x + markMm,
  y: trim.y + trim.h + bleedMm + markGapMm + 1.5,
  w: Math.max(10, trim.w / 2 - 3 * registerMm - markMm),
  h: 3.5,
});
