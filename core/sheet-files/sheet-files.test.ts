import { expect, test } from "@jest/globals";
import { frameRect } from "#core/document";
import { applyTo } from "#core/geometry";
import { bleedBox, printPixels } from "#core/lab";
import { seededRandom } from "#core/random";
import { noSheets, type PrintSheets, packSheets, usableSizes, type Want } from "#core/sheets";
import { collage } from "../document/project.fixture.ts";
import { printer, prints, want } from "../sheets/sheets.fixture.ts";
import { cuttingList } from "./cutting-list.ts";
import { backFile, drawnSheets, fileFormat, sheetFile } from "./sheet-file.ts";
import { rulerLength, testPrint } from "./test-print.ts";

const project = collage([2]);

const photo = (id: string, widthMm: number, heightMm: number, more: Partial<Want> = {}): Want =>
  want(id, widthMm, heightMm, { bleedMm: 2, ...more });

function filesOf(given: Partial<PrintSheets>) {
  const sheets: PrintSheets = { ...noSheets, ...given };
  const begun = packSheets(sheets, seededRandom(2));
  if (!begun.ok) throw new Error(begun.code);
  begun.value.packing.run(40);
  const full = { ...sheets, plan: begun.value.plan() };
  const ask = { project, sheets: full, takenOf: () => undefined, labelOf: (w: Want) => `for ${w.id}` };
  const drawn = drawnSheets(full);
  return { ask, drawn, files: drawn.map((d) => sheetFile(d, ask)) };
}

test("the file has the lab's own pixels, and what the machine may lose lies outside of the paper, covered by the picture", () => {
  const { drawn, files } = filesOf({ wants: [photo("a", 76.2, 101.6, { count: 2 })], stock: prints });
  const [file, sheet] = [files[0]!, drawn[0]!];
  const { widthPx, heightPx } = printPixels(file.format);
  expect([widthPx, heightPx].sort((a, b) => a - b)).toEqual([1200, 1800]);
  expect(file.densityPpi).toBe(300);
  const box = bleedBox(file.format);
  expect(sheet.paperAt.x - box.x).toBeGreaterThanOrEqual(1.5 - 1e-9);
  expect(sheet.paperAt.y - box.y).toBeGreaterThanOrEqual(1.5 - 1e-9);
  // Both cards together cover the whole file, and neither reaches over the cut between them.
  const clips = file.parts.slice(1).map((p) => p.clip);
  expect(clips.reduce((sum, c) => sum + c.w * c.h, 0)).toBeCloseTo(box.w * box.h, 3);
});

test("a card lies in the file just where it is cut, turned or not, with its picture going on beyond", () => {
  const wants = [photo("a", 90, 55, { count: 3 }), photo("b", 60, 150, { turns: false })];
  for (const stock of [prints, printer]) {
    const { drawn, files } = filesOf({ wants, stock, ways: { ...noSheets.ways, labels: "none", marks: "none" } });
    for (const [i, sheet] of drawn.entries())
      for (const [k, card] of sheet.laid.cards.entries()) {
        const part = files[i]!.parts[k + 1]!;
        const own = sheet.wants.get(card.item)!;
        const corners = [
          { x: 0, y: 0 },
          { x: own.widthMm, y: own.heightMm },
        ].map((p) => applyTo(part.place, p));
        const [x0, x1] = corners.map((c) => c.x - sheet.paperAt.x).sort((a, b) => a - b) as [number, number];
        const [y0, y1] = corners.map((c) => c.y - sheet.paperAt.y).sort((a, b) => a - b) as [number, number];
        expect([x0, y0, x1 - x0, y1 - y0].map((n) => n.toFixed(4))).toEqual(
          [card.x, card.y, card.w, card.h].map((n) => n.toFixed(4)),
        );
        expect(part.clip.w).toBeGreaterThanOrEqual(card.w - 1e-6);
        expect(part.clip.h).toBeGreaterThanOrEqual(card.h - 1e-6);
      }
  }
});

test("marks and words lie on bare paper only", () => {
  const { files } = filesOf({
    wants: [photo("a", 80, 60, { count: 5 })],
    stock: printer,
    ways: { ...noSheets.ways, spacingMm: 8 },
  });
  for (const { parts } of files) {
    const [ground, ...cards] = parts;
    const beside = ground!.page.tiles.map((t) => frameRect(t.frame));
    expect(ground!.page.tiles.some((t) => t.filling.kind === "colour")).toBe(true);
    expect(ground!.page.tiles.some((t) => t.filling.kind === "words" && t.filling.text === "for a")).toBe(true);
    expect(ground!.page.tiles.length).toBeGreaterThan(10);
    for (const r of beside)
      for (const { clip } of cards)
        expect(
          r.x + r.w <= clip.x + 0.02 ||
            clip.x + clip.w <= r.x + 0.02 ||
            r.y + r.h <= clip.y + 0.02 ||
            clip.y + clip.h <= r.y + 0.02,
        ).toBe(true);
  }
});

test("a white border and corners to round by lie over the picture; edge marks over everything", () => {
  const wants = [photo("a", 80, 60, { borderMm: 4, cornerMm: 6 })];
  const { files } = filesOf({ wants, stock: printer, ways: { ...noSheets.ways, marks: "edges" } });
  const [, card, ...marks] = files[0]!.parts;
  expect(card!.page.tiles.filter((t) => t.filling.kind === "colour")).toHaveLength(4);
  expect(card!.page.tiles.at(-1)!.cornerMm).toBe(6);
  expect(marks.length).toBeGreaterThan(0);
  for (const m of marks) expect(Math.min(m.clip.w, m.clip.h)).toBeLessThan(0.3);
});

test("the back has each card's words behind it, as the sheet is turned over from left to right", () => {
  const { drawn, ask } = filesOf({ wants: [photo("a", 80, 60), photo("b", 60, 60)], stock: printer });
  const back = backFile(drawn[0]!, ask);
  for (const [i, card] of drawn[0]!.laid.cards.entries()) {
    const { centre } = back.parts[0]!.page.tiles[i]!.frame;
    const { x, y } = drawn[0]!.paperAt;
    expect(centre.x - x).toBeCloseTo(210 - (card.x + card.w / 2), 3);
    expect(centre.y - y).toBeCloseTo(card.y + card.h / 2, 3);
  }
});

test("the cutting list names every cut of every sheet once, on pages that hold them", () => {
  const { drawn, ask } = filesOf({
    wants: [photo("a", 40, 30, { count: 120 })],
    stock: printer,
    ways: { ...noSheets.ways, spacingMm: 4 },
  });
  const pages = cuttingList(drawn, {
    ...ask,
    title: "List",
    sheetTitle: (s) => `Sheet ${s.index + 1}`,
    sizeOf: () => "",
    cutWords: (c) => `${c.way} ${c.setMm.toFixed(1)}`,
  });
  const words = pages.flatMap((p) =>
    p.parts[0]!.page.tiles.flatMap((t) => (t.filling.kind === "words" ? [t.filling.text] : [])),
  );
  const cuts = drawn.flatMap((s) => s.laid.cuts);
  const parts = pages.flatMap((p) => p.parts.slice(1));
  const numbers = parts.flatMap((p) => p.page.tiles.filter((t) => t.id === "number"));
  expect(numbers).toHaveLength(cuts.length);
  const pictures = parts.filter((p) => p.page.id === "piece");
  expect(pictures).toHaveLength(120);
  for (const { place, clip } of pictures) {
    // The whole picture, and nothing beyond the card on the drawing.
    const [far, near] = [applyTo(place, { x: 40, y: 30 }), applyTo(place, { x: 0, y: 0 })];
    expect(Math.abs(far.x - near.x)).toBeCloseTo(clip.w, 6);
    expect(Math.abs(far.y - near.y)).toBeCloseTo(clip.h, 6);
  }
  expect(words.filter((w) => /^\d+\. {2}(down|across)/.test(w))).toHaveLength(cuts.length);
  expect(words.filter((w) => w.startsWith("Sheet "))).toHaveLength(drawn.length);
  for (const { format, parts } of pages)
    for (const t of parts[0]!.page.tiles) {
      const r = frameRect(t.frame);
      expect(r.y + r.h).toBeLessThanOrEqual(format.heightMm - 10);
    }
});

test("sheets made to a test print come out right: of a lab that enlarges nothing, cards are as large as they should be", () => {
  const size = usableSizes({ stock: prints, wants: [] })[0]!;
  const test = testPrint(project, size, { across: "a", down: "d" });
  expect(printPixels(test.format)).toEqual({ widthPx: size.widthPx, heightPx: size.heightPx });
  const long = rulerLength(size);
  const ruler = test.parts[0]!.page.tiles.find((t) => t.id === "across")!;
  expect(ruler.frame.width).toBe(long);
  // Printed just as it is, a pixel is so many mm on paper.
  const mmPerPx = size.widthMm / size.widthPx;
  const measured = (long * test.format.ppi * mmPerPx) / 25.4;
  expect(measured).toBeLessThan(long * 0.99);
  const made = fileFormat(size, measured / long);
  expect(made.format.ppi / 25.4).toBeCloseTo(1 / mmPerPx, 6);
  expect(printPixels(made.format)).toEqual({ widthPx: size.widthPx, heightPx: size.heightPx });
  expect(made.format.widthMm + 2 * made.format.bleedMm).toBeCloseTo(size.widthMm, 6);
  // A card of 50 mm is 50 mm on paper.
  expect(((50 * made.format.ppi) / 25.4) * mmPerPx).toBeCloseTo(50, 6);
});
