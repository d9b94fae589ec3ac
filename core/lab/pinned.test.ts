import { readdirSync, readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import { backOf, insertIn, shippedPatterns, typedPattern } from "#core/pockets";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import {
  bleedBox,
  boundPages,
  fileNames,
  formatFromCard,
  hiddenAtEdges,
  pageCounts,
  printPixels,
  safeBox,
  seenBox,
  spineMm,
  trimBox,
} from "./index.ts";
import { labCardSchema } from "./schema/index.ts";

const cards = readdirSync("demo/labs").map((f) =>
  labCardSchema.parse(JSON.parse(readFileSync(`demo/labs/${f}`, "utf8"))),
);

test("a lab's sizes are so many pixels, and its spines so wide", () => {
  const formats = cards.flatMap((card) =>
    card.sizes.flatMap((size) => [false, true].map((sideways) => formatFromCard(card, size, sideways))),
  );
  const all = formats.map((f) => [
    f,
    printPixels(f),
    bleedBox(f),
    safeBox(f),
    seenBox(f),
    trimBox(f),
    hiddenAtEdges(f),
  ]);
  expect(fingerprint(all)).toMatchSnapshot();
  const books = cards.flatMap(({ book }) =>
    book
      ? book.covers.flatMap((cover) =>
          book.papers.map((paper) => [
            pageCounts(book),
            [1, 33, 200].map((n) => [boundPages(book, n), spineMm(cover, paper, n)]),
          ]),
        )
      : [],
  );
  expect(fingerprint(books)).toMatchSnapshot();
  expect(fingerprint(shippedPatterns)).toMatchSnapshot();
  const typed = [1, 2, 3].map((columns) =>
    typedPattern(
      {
        columns,
        rows: 4,
        pocketWidthMm: 63.5,
        pocketHeightMm: 60 / columns,
        apartMm: 2.5,
        fromLeftMm: 12.34,
        fromTopMm: 7,
      },
      { id: "own", name: "Own", binder: "A4" },
    ),
  );
  const backs = shippedPatterns.map((p) => [backOf(p), p.pockets.map((r) => [insertIn(r, 2), insertIn(r, 500)])]);
  expect(fingerprint([typed, backs])).toMatchSnapshot();
});

test("files are called the same", () => {
  const parts = [1, 2, 3].map((page) => ({ project: "A year: «aboard» / 2025", size: "8 × 8 in", page, pages: 120 }));
  const names = ["{project}-{size}-{page}", "{page}", "x/{project}..{page}"].flatMap((pattern) =>
    [undefined, 18, 60].flatMap((most) => fileNames(pattern, parts, "jpg", most)),
  );
  expect(names).toMatchSnapshot();
});
