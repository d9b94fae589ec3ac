import { autoFramed, type PlacedPage, type PlacedTile, type PrintFile, type Project } from "#core/document";
import { contained } from "#core/fit";
import { chain, identity, type Rect, scaling, translation } from "#core/geometry";
import { bleedBox, type PageFormat } from "#core/lab";
import { groundPage, ink, plainTile, wordsTile } from "./plain-tiles.ts";

/** Pages and photos on sheets of office paper, to be read with a pencil in hand. */

const white = "#ffffff";
const marginMm = 12;
const headMm = 8;
const gapMm = 6;
const ruleMm = 8;
const hairMm = 0.15;
const grey = "#9aa39c";

export const officePapers = {
  a4: { name: "A4", widthMm: 210, heightMm: 297 },
  letter: { name: "Letter", widthMm: 215.9, heightMm: 279.4 },
} as const;
export type OfficePaper = keyof typeof officePapers;

const formatFor = (paper: OfficePaper): PageFormat => ({
  ...officePapers[paper],
  bleedMm: 0,
  safeMm: 5,
  ppi: 300,
  leastPpi: 100,
});

/** A sheet with its title at the head and its number beside it. */
const headTiles = (format: PageFormat, title: string, number: string): PlacedTile[] => {
  const wide = format.widthMm - 2 * marginMm;
  return [
    wordsTile("title", { x: marginMm, y: marginMm - 4, w: wide * 0.8, h: headMm }, title, { sizePt: 11 }),
    wordsTile("number", { x: marginMm + wide * 0.8, y: marginMm - 4, w: wide * 0.2, h: headMm }, number, {
      sizePt: 9,
      align: "right",
    }),
  ];
};

const roomOf = ({ widthMm, heightMm }: PageFormat): Rect => ({
  x: marginMm,
  y: marginMm + headMm,
  w: widthMm - 2 * marginMm,
  h: heightMm - 2 * marginMm - headMm,
});

/** What is seen at once, as it is printed on the sheet: one page, or two that face each other. */
export interface PaperOpening {
  readonly label: string;
  readonly leaves: readonly { readonly page: PlacedPage; readonly box: Rect }[];
}

export interface OnPaper {
  readonly project: Project;
  readonly paper: OfficePaper;
  readonly title: string;
  readonly numberOf: (sheet: number, of: number) => string;
}

/** The pages with lines to write on beneath each opening. `perSheet`: how many openings stand on a sheet, under each other. */
export function paperProof(openings: readonly PaperOpening[], perSheet: number, on: OnPaper): readonly PrintFile[] {
  const format = formatFor(on.paper);
  const room = roomOf(format);
  const cellH = (room.h - (perSheet - 1) * gapMm) / perSheet;
  const linesH = Math.max(ruleMm, Math.round((cellH * 0.28) / ruleMm) * ruleMm);
  const sheets = Math.ceil(openings.length / perSheet);
  return Array.from({ length: sheets }, (_, sheet): PrintFile => {
    const tiles = headTiles(format, on.title, on.numberOf(sheet + 1, sheets));
    const parts: PrintFile["parts"][number][] = [];
    for (const [i, { label, leaves }] of openings.slice(sheet * perSheet, (sheet + 1) * perSheet).entries()) {
      const top = room.y + i * (cellH + gapMm);
      tiles.push(wordsTile(`label${i}`, { x: room.x, y: top, w: room.w, h: 5 }, label, { sizePt: 9 }));
      const wide = leaves.reduce((sum, l) => sum + l.box.w, 0);
      const tall = Math.max(...leaves.map((l) => l.box.h));
      const k = Math.min(room.w / wide, (cellH - 6 - linesH) / tall);
      let x = room.x;
      for (const { page, box } of leaves) {
        const clip: Rect = { x, y: top + 6, w: box.w * k, h: box.h * k };
        const place = chain(translation(clip.x, clip.y), scaling(k, k), translation(-box.x, -box.y));
        parts.push({ page, place, clip });
        // A page whose ground is white would have no end.
        tiles.push(plainTile(`edge${i} ${x}`, outset(clip, hairMm), grey));
        x += clip.w;
      }
      for (let y = top + 6 + tall * k + ruleMm; y <= top + cellH + 0.01; y += ruleMm)
        tiles.push(plainTile(`line${i} ${y}`, { x: room.x, y: y - 0.1, w: room.w, h: 0.2 }, grey));
    }
    return fileOf(sheet, format, on.project, [
      whole(groundPage("sheet", on.project.style, format, white, tiles)),
      ...parts,
    ]);
  });
}

export interface ContactPhoto {
  readonly id: string;
  readonly aspect: number;
  readonly label: string;
}

/** All photos small, with what they are called beneath each. */
export function contactSheets(photos: readonly ContactPhoto[], columns: number, on: OnPaper): readonly PrintFile[] {
  const format = formatFor(on.paper);
  const room = roomOf(format);
  const gap = gapMm / 2;
  const labelMm = 8;
  const cellW = (room.w - (columns - 1) * gap) / columns;
  const rows = Math.max(1, Math.floor((room.h + gap) / (cellW * 0.8 + labelMm + gap)));
  const cellH = (room.h - (rows - 1) * gap) / rows;
  const each = rows * columns;
  const sheets = Math.ceil(photos.length / each);
  return Array.from({ length: sheets }, (_, sheet): PrintFile => {
    const tiles = headTiles(format, on.title, on.numberOf(sheet + 1, sheets));
    for (const [i, photo] of photos.slice(sheet * each, (sheet + 1) * each).entries()) {
      const cell = { x: room.x + (i % columns) * (cellW + gap), y: room.y + Math.floor(i / columns) * (cellH + gap) };
      const size = contained(photo.aspect, { w: cellW, h: cellH - labelMm });
      const at = { x: cell.x + (cellW - size.w) / 2, y: cell.y + (cellH - labelMm - size.h), ...size };
      tiles.push({
        ...plainTile(`photo${i}`, at, white),
        filling: { kind: "photo", view: autoFramed(photo.id) },
      });
      tiles.push(
        wordsTile(
          `label${i}`,
          { x: cell.x, y: cell.y + cellH - labelMm + 0.6, w: cellW, h: labelMm - 0.6 },
          photo.label,
          {
            sizePt: 6.5,
            align: "centre",
            colour: ink,
          },
        ),
      );
    }
    return fileOf(sheet, format, on.project, [whole(groundPage("sheet", on.project.style, format, white, tiles))]);
  });
}

const whole = (page: PlacedPage): PrintFile["parts"][number] => ({
  page,
  place: identity,
  clip: bleedBox(page.format),
});

const outset = (r: Rect, by: number): Rect => ({ x: r.x - by, y: r.y - by, w: r.w + 2 * by, h: r.h + 2 * by });

const fileOf = (sheet: number, format: PageFormat, project: Project, parts: PrintFile["parts"]): PrintFile => ({
  number: sheet + 1,
  format,
  parts,
  pageIds: [],
  language: project.language,
});
