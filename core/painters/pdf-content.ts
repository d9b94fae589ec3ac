import type { FilePart } from "#core/document";
import { nums } from "#core/files";
import { identity, type Matrix, type PathData, type Rect } from "#core/geometry";
import type { DrawStep } from "#core/scene";

/** Names under which a page's content finds what stands elsewhere in the file. */
export interface PdfNames {
  /** Undefined leaves the photo out. */
  photo(photoId: string): { readonly name: string; readonly toUnit: Matrix } | undefined;
  glyph(face: string, file: number, id: number): { readonly font: string } | undefined;
  alpha(value: number): string;
}

export interface PdfSheet {
  readonly parts: readonly (Pick<FilePart, "place" | "clip"> & { readonly steps: readonly DrawStep[] })[];
  /** From the file's mm, y down, to points from the page's foot. */
  readonly toPoints: Matrix;
  readonly marks: readonly (readonly [x0: number, y0: number, x1: number, y1: number])[];
}

/** A sheet as operators of a PDF (ISO 32000-1, annex A): outlines stay outlines, and words stay words. */
export function pdfContent(sheet: PdfSheet, names: PdfNames): string {
  const out: string[] = [`q ${matrix(sheet.toPoints)} cm`];
  for (const { steps, place, clip } of sheet.parts) {
    out.push(`q ${rect(clip)} re W n`);
    if (place !== identity) out.push(`${matrix(place)} cm`);
    for (const step of steps) out.push(...stepLines(step, names));
    out.push("Q");
  }
  if (sheet.marks.length > 0) {
    out.push("0 0 0 RG 0.09 w");
    for (const [x0, y0, x1, y1] of sheet.marks) out.push(`${nums(x0, y0)} m ${nums(x1, y1)} l S`);
  }
  out.push("Q");
  return out.join("\n");
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

function stepLines(step: DrawStep, names: PdfNames): string[] {
  switch (step.draw) {
    case "fill": {
      const paint = `${rgb(step.colour)} rg ${outline(step.path)} ${step.rule === "evenodd" ? "f*" : "f"}`;
      return step.alpha === undefined ? [paint] : [`q /${names.alpha(step.alpha)} gs ${paint} Q`];
    }
    case "photo": {
      const photo = names.photo(step.photoId);
      if (!photo) return [];
      const { a, b, c, d, e, f } = photo.toUnit;
      // A picture's rows count from its foot.
      const stood = `${fine(a, b, -c, -d)} ${fine(c + e, d + f)}`;
      return [`q ${outline(step.clip)} W n ${matrix(step.matrix)} cm ${stood} cm /${photo.name} Do Q`];
    }
    case "words":
      return wordLines(step, names);
  }
}

function wordLines(step: Extract<DrawStep, { draw: "words" }>, names: PdfNames): string[] {
  const out = [`q ${matrix(step.matrix)} cm ${rgb(step.colour)} rg BT`];
  let font = "";
  for (const g of step.glyphs) {
    const use = names.glyph(step.face, g.file, g.id);
    if (!use) continue;
    if (use.font !== font) {
      font = use.font;
      out.push(`/${font} ${nums(step.sizeMm)} Tf`);
    }
    out.push(`1 0 0 -1 ${fine(g.x, g.y)} Tm <${g.id.toString(16).padStart(4, "0")}> Tj`);
  }
  out.push("ET Q");
  return out;
}

const markMm = 5;
const markGapMm = 1;

/** Where a cut falls: two lines at each corner, outside of all that is printed. */
export function cutMarks(trim: Rect, bleedMm: number): [number, number, number, number][] {
  const near = bleedMm + markGapMm;
  const far = near + markMm;
  const [x0, y0, x1, y1] = [trim.x, trim.y, trim.x + trim.w, trim.y + trim.h];
  return [x0, x1]
    .flatMap((x) => [
      [x, y0 - far, x, y0 - near] as [number, number, number, number],
      [x, y1 + near, x, y1 + far] as [number, number, number, number],
    ])
    .concat(
      [y0, y1].flatMap((y) => [
        [x0 - far, y, x0 - near, y] as [number, number, number, number],
        [x1 + near, y, x1 + far, y] as [number, number, number, number],
      ]),
    );
}

/** Room for the marks around a page. */
export const marksMm = markMm + markGapMm + 1;
