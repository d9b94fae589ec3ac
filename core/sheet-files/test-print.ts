import type { PlacedTile, PrintFile, Project } from "#core/document";
import { identity } from "#core/geometry";
import { bleedBox } from "#core/lab";
import type { SheetSize } from "#core/sheets";
import { groundPage, ink, plainTile, wordsTile } from "./plain-tiles.ts";
import { fileFormat } from "./sheet-file.ts";

/** What stands at the rulers. */
export interface TestPrintWords {
  readonly across: string;
  readonly down: string;
}

const lineMm = 0.25;
const tickMm = 0.15;
/** Long enough to measure well, and whole on the smallest print that it still fits on. */
const lengths = [200, 150, 100, 50, 25] as const;
const roomMm = 24;

/** How long the rulers are that fit on a sheet both ways. */
export const rulerLength = ({ widthMm, heightMm }: Pick<SheetSize, "widthMm" | "heightMm">): number =>
  lengths.find((l) => l + roomMm <= Math.min(widthMm, heightMm)) ?? lengths.at(-1)!;

/**
 * A sheet with a ruler across and one down, made as if it were printed exactly as expected: what they measure on paper tells by how
 * much it is not. It has the pixels of every other file for such a sheet.
 */
export function testPrint(project: Project, size: SheetSize, words: TestPrintWords): PrintFile {
  const { format, paperAt } = fileFormat(size, 1);
  const long = rulerLength(size);
  const [cx, cy] = [paperAt.x + size.widthMm / 2, paperAt.y + size.heightMm / 2];
  const [left, top] = [cx - long / 2, cy - long / 2];
  const tiles: PlacedTile[] = [
    plainTile("across", { x: left, y: top - lineMm / 2, w: long, h: lineMm }, ink),
    plainTile("down", { x: left - lineMm / 2, y: top, w: lineMm, h: long }, ink),
  ];
  for (let mm = 0; mm <= long; mm += 1) {
    const high = mm % 10 === 0 ? 5 : mm % 5 === 0 ? 3.5 : 2;
    tiles.push(
      plainTile(`x${mm}`, { x: left + mm - tickMm / 2, y: top, w: tickMm, h: high }, ink),
      plainTile(`y${mm}`, { x: left, y: top + mm - tickMm / 2, w: high, h: tickMm }, ink),
    );
  }
  const style = { sizePt: 7 } as const;
  tiles.push(
    wordsTile("words across", { x: left + 8, y: top + 8, w: long - 10, h: 8 }, words.across, style),
    wordsTile("words down", { x: left + 8, y: top + 18, w: long - 10, h: 8 }, words.down, style),
  );
  return {
    number: 1,
    format,
    densityPpi: size.ppi,
    parts: [
      { page: groundPage("test", project.style, format, "#ffffff", tiles), place: identity, clip: bleedBox(format) },
    ],
    pageIds: [],
    language: project.language,
  };
}
