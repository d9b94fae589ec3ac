import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { alikeNames, datesIn, editDistance, mentionsOf, namesIn } from "./index.ts";

test("names are found within sentences, and two spellings of one are told", () => {
  const texts = [
    "We met Hilde at the lock.",
    "Aunt Hilda laughed. Then Hilde left.",
    "Marigold",
    "The boat of the Petersens and a Petersen",
    "Nan painted it",
    "Over the valley",
  ];
  const names = namesIn(texts, "en-GB");
  expect(names.map((n) => n.name)).toEqual(["Aunt", "Hilda", "Hilde", "Marigold", "Nan", "Petersen", "Petersens"]);
  expect(names.find((n) => n.name === "Hilde")!.mentions).toEqual([
    { text: 0, from: 7, to: 12 },
    { text: 1, from: 25, to: 30 },
  ]);
  expect(alikeNames(names).map(({ a, b }) => [a.name, b.name])).toEqual([["Hilda", "Hilde"]]);
});

test("of German, nouns that stand after their articles are left out", () => {
  const texts = [
    "Wir trafen Hilde an der Schleuse, und Onkel Franz kochte im Boot einen Tee.",
    "Dann fuhr Hilda durch die Schleusen von Kanalstadt. Ein Tag ohne Regen!",
    "Die Schleuse und das Boot, ihr Tee.",
  ];
  expect(namesIn(texts, "de-DE").map((n) => n.name)).toEqual([
    "Franz",
    "Hilda",
    "Hilde",
    "Kanalstadt",
    "Onkel",
    "Regen",
  ]);
  expect(namesIn(texts, "en-GB").map((n) => n.name)).toContain("Schleuse");
});

test("the distance of two words is that of the letters between them, whichever way round", () => {
  const word = fc.string({ maxLength: 8, unit: fc.constantFrom(..."abc") });
  fc.assert(
    fc.property(word, word, fc.nat(8), fc.constantFrom(..."abc"), (a, b, at, letter) => {
      const far = editDistance(a, b, 20);
      expect(editDistance(b, a, 20)).toBe(far);
      expect(far === 0).toBe(a === b);
      expect(far).toBeGreaterThanOrEqual(Math.abs(a.length - b.length));
      const i = Math.min(at, a.length);
      expect(editDistance(a, a.slice(0, i) + letter + a.slice(i), 20)).toBe(1);
      expect(editDistance(a, b, 1)).toBe(Math.min(far, 2));
    }),
  );
  expect(editDistance("hlide", "hilde", 3)).toBe(1);
});

test("days and years are found as a language writes them", () => {
  const of = (language: string, text: string) => datesIn([text], language).map((d) => d.name);
  expect(of("en-GB", "On 3 May 2026 and May 4th, in 1968; not 12345, at 3.5.68 or 2026-05-03.")).toEqual([
    "3 May 2026",
    "May 4th",
    "1968",
    "3.5.68",
    "2026-05-03",
  ]);
  expect(of("de", "Am 3. März 1968 und im Juli 1969")).toEqual(["3. März 1968", "Juli 1969"]);
  expect(of("fr", "le 14 juillet 1989")).toEqual(["14 juillet 1989"]);
});

test("what is looked for is found wherever it is written, by case and by whole words if wanted", () => {
  const texts = ["Anna and Annabel", "anna (anna)"];
  const found = (wanted: string, how: Parameters<typeof mentionsOf>[2] = {}) =>
    mentionsOf(texts, wanted, how).map((m) => [m.text, m.from]);
  expect(found("anna")).toEqual([
    [0, 0],
    [0, 9],
    [1, 0],
    [1, 6],
  ]);
  expect(found("anna", { wholeWords: true })).toEqual([
    [0, 0],
    [1, 0],
    [1, 6],
  ]);
  expect(found("anna", { matchCase: true })).toEqual([
    [1, 0],
    [1, 6],
  ]);
  expect(found("(")).toEqual([[1, 5]]);
  expect(found("")).toEqual([]);
});
