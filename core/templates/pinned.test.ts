import { expect, test } from "@jest/globals";
import { barePage, placePage } from "#core/document";
import { collage, counter, squareFormat } from "../document/project.fixture.ts";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import { drawnPage, layTemplate, shippedTemplates, turned } from "./index.ts";

test("templates come out the same on other pages and turned", () => {
  const { style } = collage([1]);
  const formats = [
    squareFormat,
    { ...squareFormat, widthMm: 300, heightMm: 200 },
    { ...squareFormat, widthMm: 148, heightMm: 210 },
  ];
  const aspects = [1.5, 0.67, 1, 1.33, 2.4, 0.75];
  const laid = shippedTemplates().map((template) =>
    formats.map((format) => {
      const photos = drawnPage(template).tiles.map((_, i) => ({
        id: `p${i}`,
        aspect: aspects[i % aspects.length]!,
        focus: null,
      }));
      return layTemplate(placePage(barePage(counter("p")), format, style), template, { photos, newId: counter("t") });
    }),
  );
  expect(fingerprint(laid)).toMatchSnapshot();
  const turns = [
    { mirrorSides: true, mirrorUpside: false, quarters: 0 },
    { mirrorSides: false, mirrorUpside: true, quarters: 1 },
    { mirrorSides: true, mirrorUpside: true, quarters: 3 },
  ] as const;
  expect(fingerprint(shippedTemplates().map((t) => turns.map((turn) => turned(t, turn))))).toMatchSnapshot();
});
