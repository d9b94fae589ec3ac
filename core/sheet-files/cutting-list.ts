import type { FilePart, PlacedTile, PrintFile } from "#core/document";
import { chain, identity, type Rect, scaling, translation } from "#core/geometry";
import { bleedBox, type PageFormat } from "#core/lab";
import type { Cut, Want } from "#core/sheets";
import { piecePage } from "./piece-page.ts";
import { groundPage, ink, outlineTile, wordsTile } from "./plain-tiles.ts";
import { cardPlace, type DrawnSheet, type SheetFileAsk } from "./sheet-file.ts";

/** ISO 216 A4, upright; every printer has it. Lengths in mm. */
const paper: PageFormat = { name: "A4", widthMm: 210, heightMm: 297, bleedMm: 0, safeMm: 12, ppi: 300, leastPpi: 150 };
const marginMm = 15;
const drawing = { wide: 74, high: 96 };
const column = { x: 98, wide: 48, apart: 1, count: 2, lineMm: 4.4 };
const titleMm = 9;
const headMm = 14;
const betweenMm = 8;
const footMm = paper.heightMm - marginMm;

export interface CuttingListAsk extends Pick<SheetFileAsk, "project" | "labelOf" | "takenOf"> {
  readonly title: string;
  sheetTitle(sheet: DrawnSheet): string;
  sizeOf(want: Want): string;
  cutWords(cut: Cut): string;
}

/** The sheets one after the other, each drawn with its cuts by number, and what to set the trimmer to; a page each file. */
export function cuttingList(sheets: readonly DrawnSheet[], ask: CuttingListAsk): PrintFile[] {
  const pages: PlacedTile[][] = [];
  /** Of each page what lies over its words, back to front. */
  const drawings: FilePart[][] = [];
  let y = Number.POSITIVE_INFINITY;
  const put = (t: PlacedTile) => pages.at(-1)!.push({ ...t, id: `${pages.length} ${pages.at(-1)!.length}` });
  const newPage = () => {
    pages.push([]);
    drawings.push([]);
    const title = pages.length === 1 ? ask.title : "";
    put(wordsTile("", { x: marginMm, y: marginMm, w: 180, h: headMm }, title, { sizePt: 16, font: "eb-garamond" }));
    y = marginMm + (title === "" ? 0 : headMm);
  };
  for (const sheet of sheets) {
    const { size, laid } = sheet;
    const scale = Math.min(drawing.wide / size.widthMm, drawing.high / size.heightMm);
    const high = size.heightMm * scale;
    const lines = laid.cuts.map((c) => `${c.number}.  ${ask.cutWords(c)}`);
    // One column as long as it is no longer than the drawing.
    const columns = lines.length * column.lineMm <= high ? 1 : column.count;
    const perColumn = Math.ceil(lines.length / columns);
    const wanted = titleMm + Math.max(high + 4, perColumn * column.lineMm);
    if (y + Math.min(wanted, titleMm + high + 4) > footMm) newPage();
    const words = { x: marginMm, y, w: 180, h: titleMm };
    put(wordsTile("", words, ask.sheetTitle(sheet), { sizePt: 11, bold: true }));
    y += titleMm;
    const at = { x: marginMm + 4, y: y + 3, w: size.widthMm * scale, h: high };
    put(outlineTile("", at, 0, 0.3));
    drawings.at(-1)!.push(...drawnSheet(sheet, at, ask));
    let left = lines;
    let tallest = high + 4;
    while (left.length > 0) {
      const room = Math.max(1, Math.floor((footMm - y) / column.lineMm));
      const rows = Math.min(room, Math.ceil(left.length / columns));
      for (let c = 0; c < columns; c += 1) {
        const some = left.slice(c * rows, (c + 1) * rows);
        const x = column.x + c * (column.wide + column.apart);
        for (const [i, line] of some.entries())
          put(
            wordsTile(
              "",
              { x, y: y + i * column.lineMm, w: columns === 1 ? 2 * column.wide : column.wide, h: column.lineMm },
              line,
              { sizePt: columns === 1 ? 8.5 : 7.5 },
            ),
          );
      }
      tallest = Math.max(tallest, rows * column.lineMm);
      left = left.slice(columns * rows);
      if (left.length > 0) {
        newPage();
        tallest = 0;
      }
    }
    y += tallest + betweenMm;
  }
  return pages.map((tiles, i) => ({
    number: i + 1,
    format: paper,
    parts: [
      {
        page: groundPage(`list ${i + 1}`, ask.project.style, paper, "#ffffff", tiles),
        place: identity,
        clip: bleedBox(paper),
      },
      ...drawings[i]!,
    ],
    pageIds: [],
    language: ask.project.language,
  }));
}

const cardGround = "#e9e2d5";
const cutColour = "#b2472a";
const spotMm = 4;

/** Every card with its picture, and over them the cuts with their numbers. */
function drawnSheet(sheet: DrawnSheet, at: Rect, ask: CuttingListAsk): FilePart[] {
  const { size, laid } = sheet;
  const scale = at.w / size.widthMm;
  const moved = (r: Rect): Rect => ({ x: at.x + r.x * scale, y: at.y + r.y * scale, w: r.w * scale, h: r.h * scale });
  const patch = (clip: Rect, colour: string, tiles: readonly PlacedTile[] = []): FilePart => ({
    page: groundPage("patch", ask.project.style, paper, colour, tiles),
    place: identity,
    clip,
  });
  const onPaper = chain(translation(at.x, at.y), scaling(scale, scale));
  const cards = laid.cards.flatMap((card): FilePart[] => {
    const r = moved(card);
    const want = sheet.wants.get(card.item)!;
    const piece = piecePage(ask.project, want, 0, ask.takenOf);
    const picture: FilePart = piece
      ? { page: piece.page, place: chain(onPaper, cardPlace(card, piece.cut)), clip: r }
      : patch(r, cardGround);
    const high = Math.min(stripMm, r.h * 0.45);
    const strip = { x: r.x, y: r.y + r.h - high, w: r.w, h: high };
    const text = [ask.labelOf(want), ask.sizeOf(want)].filter((t) => t !== "").join("\n");
    const words = wordsTile("words", { ...strip, x: r.x + 0.8, w: r.w - 1.6 }, text, {
      sizePt: 4.6,
      align: "centre",
      vertical: "middle",
    });
    return r.w > 12 && r.h > 7 ? [picture, patch(strip, "#ffffff", [words])] : [picture];
  });
  const cuts = laid.cuts.flatMap((cut): FilePart[] => {
    const [from, long] = [cut.fromMm, cut.toMm - cut.fromMm];
    const line = moved(
      cut.way === "down" ? { x: cut.atMm, y: from, w: 0, h: long } : { x: from, y: cut.atMm, w: long, h: 0 },
    );
    const wide = 0.25;
    const stroke =
      cut.way === "down" ? { ...line, x: line.x - wide / 2, w: wide } : { ...line, y: line.y - wide / 2, h: wide };
    // Beside the sheet where the cut begins at its edge, and on a spot of its own where it begins inside.
    const lead = from < 0.02 ? -spotMm : spotMm * 0.6;
    const spot =
      cut.way === "down"
        ? { x: line.x - spotMm / 2, y: line.y + lead, w: spotMm, h: spotMm }
        : { x: line.x + lead, y: line.y - spotMm / 2, w: spotMm, h: spotMm };
    const style = { sizePt: 5.5, bold: true, align: "centre", vertical: "middle", colour: ink } as const;
    const number = wordsTile("number", spot, String(cut.number), style);
    return [patch(stroke, cutColour), patch(from < 0.02 ? spot : insetBy(spot, 0.7), "#ffffff", [number])];
  });
  return [...cards, ...cuts];
}

const stripMm = 4.6;
const insetBy = (r: Rect, by: number): Rect => ({ x: r.x + by, y: r.y + by, w: r.w - 2 * by, h: r.h - 2 * by });
