import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import { groupsOf } from "#core/document";
import { drawnPage, shippedTemplates } from "./index.ts";
import { readTemplateFile, templateFile, templateFileJsonSchema } from "./schema/index.ts";

const shipped = shippedTemplates();

test("a file that is no template file is told from one that is damaged, and neither can do harm", () => {
  const one = shipped[0]!;
  expect(readTemplateFile("nothing")).toMatchObject({ ok: false, code: "notTemplates" });
  expect(readTemplateFile('{"kind":"other"}')).toMatchObject({ ok: false, code: "notTemplates" });
  const group = groupsOf(drawnPage(one).page)[0]!;
  const broken = { ...one, pieces: [{ ...group, tiles: [...group.tiles, { ...group.tiles[0]!, id: "more" }] }] };
  expect(readTemplateFile(templateFile([one, broken]))).toMatchObject({
    ok: false,
    code: "damagedTemplate",
    facts: { number: 2 },
  });
  const deep = `{"kind":"tessip-templates","version":1,"templates":[${"[".repeat(50_000)}${"]".repeat(50_000)}]}`;
  expect(readTemplateFile(deep)).toMatchObject({ ok: false, code: "notTemplates" });
  expect(readTemplateFile(" ".repeat(9_000_000))).toMatchObject({ ok: false, code: "tooLarge" });
});

test("a template of the first form, one tree of places, is read as what it was", () => {
  const first = {
    ...{
      id: "old",
      name: "Old",
      family: "",
      page: { widthMm: 200, heightMm: 100 },
      look: shipped[0]!.look,
      loose: false,
    },
    tree: {
      way: "side",
      parts: [
        { tileId: "a", aspect: 1 },
        { tileId: "b", aspect: 1 },
        { tileId: "c", aspect: 1 },
      ],
    },
    places: [
      { id: "a", holds: { kind: "photo" }, number: 2 },
      { id: "b", holds: { kind: "colour", colour: "#112233" }, number: null },
      { id: "c", holds: { kind: "nothing" }, number: null },
    ],
  };
  const file = JSON.stringify({ kind: "tessip-templates", version: 1, templates: [first] });
  const read = readTemplateFile(file);
  const [t] = read.ok ? read.value : [];
  expect(drawnPage(t!).tiles.map((p) => p.filling)).toEqual([
    { kind: "empty", waits: { for: "photo", number: 2 } },
    { kind: "colour", colour: "#112233" },
    { kind: "empty", waits: { for: "nothing" } },
  ]);
  expect(drawnPage(t!).tiles.every((p, i, all) => i === 0 || p.frame.centre.x > all[i - 1]!.frame.centre.x)).toBe(true);
  const less = { ...first, places: first.places.slice(1) };
  expect(readTemplateFile(JSON.stringify({ kind: "tessip-templates", version: 1, templates: [less] }))).toMatchObject({
    ok: false,
    code: "damagedTemplate",
  });
});

test("the schema that is published is the one that is checked", () => {
  expect(JSON.parse(readFileSync("docs/templates.schema.json", "utf8"))).toEqual(
    JSON.parse(JSON.stringify(templateFileJsonSchema())),
  );
});
