import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import { unzipSync } from "fflate";
import { formatFromCard } from "#core/lab";
import { shippedPatterns } from "#core/pockets";
import { readProjectFile } from "#core/project-file";
import { freshBook, gutterLab } from "../check/check.fixture.ts";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import {
  arrangedTiles,
  barePage,
  coverChanges,
  coverFormat,
  coverParts,
  drawnPage,
  everyPage,
  fillEmpty,
  firstCover,
  flowPhotos,
  footFor,
  formatOf,
  inAnotherSize,
  insertBeside,
  layPhotos,
  layRows,
  layTree,
  matchedTo,
  newPockets,
  type PlacedPage,
  patternFromTiles,
  placeAgain,
  placed,
  placePage,
  pocketLines,
  printFiles,
  removeTiles,
  setTileAspect,
  sharedLines,
  spineSizePt,
  splitTile,
  throughPockets,
  withPageMirrored,
  withPattern,
} from "./index.ts";
import { applied, collage, counter, squareFormat } from "./project.fixture.ts";

const aspects = [1.5, 0.67, 1.33, 1, 2.4, 0.75, 1.5, 1.78];
const photos = (n: number) =>
  Array.from({ length: n }, (_, i) => ({ id: `p${i}`, aspect: aspects[i % aspects.length]!, focus: null }));
const { style } = collage([1]);
const bare = () => placePage(barePage(counter("p")), squareFormat, style);

/** A page with a tree of so many photos. */
function treed(n: number): PlacedPage {
  const laid = layTree(bare(), { photos: photos(n), seed: 3, newId: counter("t") });
  if (!laid.ok) throw new Error(laid.code);
  return placeAgain(bare(), laid.value.page);
}

test("photos are laid, slipped in, taken away, split, shaped, mirrored and matched the same", () => {
  const laid = [1, 2, 5, 9, 17].flatMap((n) => [
    layPhotos(bare(), { photos: photos(n), asked: n === 9 ? { rows: 2 } : {}, newId: counter("t") }),
    layRows(bare(), { photos: photos(n), newId: counter("t") }),
    layTree(bare(), { photos: photos(n), seed: n, newId: counter("t") }),
  ]);
  expect(laid.map(fingerprint)).toMatchSnapshot();
  const on = treed(8);
  const [first, second] = arrangedTiles(on.page).map((t) => t.id) as [string, string];
  const pages = [
    insertBeside(on, { photoId: "x", aspect: 1.2, tileId: second, edge: "top" }, counter("n")),
    removeTiles(on, [first]),
    removeTiles(on, [first, second]),
    splitTile(on, second, "side", counter("n")),
    splitTile(on, second, "stack", counter("n")),
    setTileAspect(on, first, 1),
    withPageMirrored(on, "side"),
    withPageMirrored(on, "stack"),
    matchedTo(on, treed(8), () => 1.5),
    flowPhotos(on, { photos: photos(5), newId: counter("n") }).page,
    flowPhotos(on, { photos: photos(13), newId: counter("n") }).page,
  ];
  expect(pages.map((p) => fingerprint(placeAgain(on, p).tiles))).toMatchSnapshot();
  expect([sharedLines(on, on), sharedLines(on, treed(5))]).toMatchSnapshot();
  expect(
    fingerprint(fillEmpty(placeAgain(on, splitTile(on, first, "side", counter("n"))), photos(4))),
  ).toMatchSnapshot();
});

test("pockets take their photos, and leave their lines, the same", () => {
  const made = shippedPatterns.slice(0, 6).map((pattern) => {
    const project = newPockets({ name: "P", unit: "mm", pattern }, { newId: counter("id"), at: "" });
    const on = placed(project, project.pages[0]!);
    const ids = arrangedTiles(on.page).map((t) => t.id);
    const through = placeAgain(on, throughPockets(on, ids.slice(0, 2), { id: "w", aspect: 2 }));
    const again = withPattern(through.page, shippedPatterns[1]!, 1, counter("n"));
    return [through.tiles, pocketLines(on), again, patternFromTiles(treed(4), { id: "own", name: "Own" })];
  });
  expect(made.map(fingerprint)).toMatchSnapshot();
});

test("covers, sides, folds, page numbers and other sizes of a book come out the same", () => {
  const book = freshBook();
  const made = firstCover(book, { id: "p0", aspect: 1.5 }, counter("c"));
  if (!made) throw new Error("no cover");
  const covered = applied(book, coverChanges(made));
  const parts = [20, 40, 80].map((n) => coverParts(covered, n));
  expect(fingerprint([parts, covered, coverFormat(covered), spineSizePt(12, parts[0]!.spineMm)])).toMatchSnapshot();
  const numbers = { ...covered.book!.numbers, shown: true, running: "days" as const };
  const numbered = { ...covered, book: { ...covered.book!, numbers } };
  const taken = () => "2025-06-07T10:00:00";
  expect(fingerprint(everyPage(numbered).map((p) => drawnPage(numbered, p, taken)))).toMatchSnapshot();
  expect(fingerprint([numbered.pages.map((p) => formatOf(numbered, p)), footFor(numbered)])).toMatchSnapshot();
  expect(fingerprint(printFiles(numbered, taken, { holds: "mixed" }))).toMatchSnapshot();
});

test.each(["collage", "book", "cards", "pocket-pages"])("%s in another size, and its files", (work) => {
  const zip = unzipSync(readFileSync(`e2e/fixtures/version-1/${work}.tessip.zip`));
  const read = readProjectFile(new TextDecoder().decode(zip["project.json"]));
  if (!read.ok) throw new Error(read.code);
  const { project } = read.value;
  const taken = (id: string) => read.value.photos.find((p) => p.id === id)?.takenAt;
  for (const options of [{}, { withoutBleed: true }, { longSidePx: 900 }, { holds: "spreads" as const }])
    expect(fingerprint(printFiles(project, taken, options))).toMatchSnapshot();
  const lab = project.kind === "book" ? gutterLab : null;
  const format = lab ? formatFromCard(lab, lab.sizes.at(-1)!, false) : { ...squareFormat, widthMm: 250, heightMm: 180 };
  expect(
    fingerprint(inAnotherSize(project, { lab, format }, { aspectOf: () => 1.5, newId: counter("n") })),
  ).toMatchSnapshot();
});
