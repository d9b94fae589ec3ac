import { expect, test } from "@jest/globals";
import { seededRandom } from "#core/random";
import {
  costOf,
  filledUp,
  movedPiece,
  noSheets,
  type PrintSheets,
  packSheets,
  sheetSizes,
  type Want,
} from "#core/sheets";
import { collage } from "../document/project.fixture.ts";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import { printer, prints, want } from "../sheets/sheets.fixture.ts";
import { backFile, cuttingList, drawnSheets, sheetFile, testPrint } from "./index.ts";

const project = collage([2]);
const wants = [
  want("a", 63.5, 88.9, { count: 7, bleedMm: 2, cornerMm: 3 }),
  want("b", 100, 70, { count: 2, borderMm: 4, turns: false }),
  want("c", 35, 45, { count: 4, spareMm: 2, fills: true }),
];
const roll = { kind: "roll", widthMm: 610, longestMm: 1200, marginMm: 5, pricePerMetre: 12, ppi: 240 } as const;

const ways: readonly Partial<PrintSheets["ways"]>[] = [
  { marks: "none", labels: "none" },
  { marks: "edges", spacingMm: 4 },
  { spacingMm: 8 },
];

test("sheets, backs, cutting lists and test prints are drawn the same, whatever is printed on", () => {
  for (const stock of [prints, printer, roll])
    for (const way of ways) {
      const sheets: PrintSheets = { ...noSheets, wants, stock, ways: { ...noSheets.ways, ...way } };
      const begun = packSheets(sheets, seededRandom(3));
      if (!begun.ok) throw new Error(begun.code);
      begun.value.packing.run(30);
      const full = { ...sheets, plan: begun.value.plan() };
      const ask = { project, sheets: full, takenOf: () => undefined, labelOf: (w: Want) => `for ${w.id}` };
      const drawn = drawnSheets(full);
      const list = cuttingList(drawn, {
        ...ask,
        title: "List",
        sheetTitle: (s) => `Sheet ${s.index + 1}`,
        sizeOf: (w) => `${w.widthMm}`,
        cutWords: (c) => `${c.way} ${c.setMm.toFixed(2)}`,
      });
      const grown = filledUp(full);
      const moved = movedPiece(full, 0, full.plan.sheets.length - 1);
      expect(fingerprint([grown, moved, full.plan.sheets.map((s) => costOf(s, full))])).toMatchSnapshot();
      const all = [drawn.map((d) => sheetFile(d, ask)), drawn.map((d) => backFile(d, ask)), list];
      expect(all.map(fingerprint)).toMatchSnapshot();
    }
  const said = { across: "100 mm across", down: "100 mm down" };
  const sizes = [prints, printer, roll].flatMap((stock) => sheetSizes(stock));
  expect(fingerprint(sizes)).toMatchSnapshot();
  expect(fingerprint(sizes.slice(0, 3).map((s) => testPrint(project, s, said)))).toMatchSnapshot();
});
