import { expect, test } from "@jest/globals";
import { labCardSchema } from "./card.ts";
import { cardIssues, cardText, plainCard, readCardFile } from "./card-file.ts";

const card = plainCard("own-1", "A lab");

test("a card is written and read again as it was", () => {
  expect(cardIssues(card)).toEqual([]);
  expect(readCardFile(cardText(card))).toEqual({ ok: true, value: labCardSchema.parse(card) });
});

test("a file that is no card says where it goes wrong first", () => {
  const refusal = (text: string) => {
    const read = readCardFile(text);
    return read.ok ? "taken" : `${read.code} ${read.facts.path ?? ""}`.trim();
  };
  expect(refusal("no json")).toBe("notJson");
  expect(refusal("[]")).toBe("notACard");
  expect(refusal(JSON.stringify({ ...card, bleedMm: -1 }))).toBe("notACard bleedMm");
  expect(refusal(JSON.stringify({ ...card, ppi: { wanted: 1e9, least: 1 } }))).toMatch(/^notACard ppi/);
  expect(refusal(JSON.stringify({ ...card, sizes: [{ ...card.sizes[0], id: "../up" }] }))).toBe("notACard sizes.0.id");
  expect(refusal(" ".repeat(400_000))).toBe("tooLong");
});

test("what contradicts itself has a code of its own", () => {
  const codes = (change: object) => cardIssues({ ...card, ...change }).map((i) => i.code);
  expect(codes({ ppi: { wanted: 100, least: 200 } })).toEqual(["leastAboveWanted"]);
  expect(codes({ safeMm: 50 })).toEqual(["nothingSafe"]);
  expect(codes({ kind: "book" })).toEqual(["bookRulesAndKind"]);
  expect(codes({ sizes: [card.sizes[0], card.sizes[0]] })).toEqual(["sizeIdTwice"]);
});
