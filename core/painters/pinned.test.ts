import { expect, test } from "@jest/globals";
import { everyPage, placed, printFiles } from "#core/document";
import { bleedBox } from "#core/lab";
import { scene } from "#core/scene";
import { factsOf, photo } from "../check/check.fixture.ts";
import { mixedProject } from "../document/project.fixture.ts";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import { oraStack, pdfContent, printersMarks, svgOf } from "./index.ts";
import { bareSupply } from "./painters.fixture.ts";

const project = mixedProject();
const facts = factsOf(Array.from({ length: 8 }, (_, i) => photo(`p${i}`)));
const trim = { x: 0, y: 0, w: 304.8, h: 304.8 };
const flip = { a: 72 / 25.4, b: 0, c: 0, d: -72 / 25.4, e: 0, f: 900 };

test("pages are drawn by the same steps, and written the same as PDF, SVG and layers", () => {
  const drawn = everyPage(project).map((page) => placed(project, page));
  expect(drawn.map((page) => fingerprint(scene(page, facts)))).toMatchSnapshot();
  const parts = drawn.map((page) => ({
    place: { a: 1, b: 0, c: 0, d: 1, e: 2, f: 3 },
    clip: bleedBox(page.format),
    steps: scene(page, facts).steps,
  }));
  const names = {
    photo: ({ photoId }: { readonly photoId: string }) => ({
      name: `P${photoId}`,
      toUnit: { a: 1, b: 0, c: 0, d: -1, e: 0, f: 1 },
    }),
    glyph: () => undefined,
    alpha: (n: number) => `A${n}`,
  };
  const contents = parts.map((part) =>
    pdfContent(
      { parts: [part], toPoints: flip, marks: printersMarks(trim, 3, { foldsMm: [80], spine: undefined }) },
      names as never,
    ),
  );
  expect(contents.map(fingerprint)).toMatchSnapshot();
  const supply = bareSupply;
  expect(
    parts.map((part) =>
      fingerprint(svgOf({ box: part.clip, title: "A page", parts: [{ ...part, layers: [part] }] }, supply)),
    ),
  ).toMatchSnapshot();
  expect(
    fingerprint(oraStack({ widthPx: 10, heightPx: 8, ppi: 300 }, [{ name: "A & b", path: "data/1.png", x: 3, y: 4 }])),
  ).toMatchSnapshot();
  expect(fingerprint(printFiles(project, () => undefined))).toMatchSnapshot();
});
