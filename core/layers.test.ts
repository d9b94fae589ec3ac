import { readdirSync, readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";

/** Each folder may use those before it. */
const order = [
  "result",
  "bits",
  "colour",
  "random",
  "units",
  "geometry",
  "artwork",
  "drawings",
  "masks",
  "outlines",
  "pixels",
  "tone",
  "words",
  "photo",
  "lab",
  "pockets",
  "files",
  "fit",
  "arrange",
  "packing",
  "sheets",
  "document",
  "sheet-files",
  "pace",
  "templates",
  "scene",
  "notes",
  "project-file",
  "safe-folder",
  "check",
  "edit",
  "painters",
];

const sources = (folder: string) =>
  readdirSync(`core/${folder}`, { recursive: true, encoding: "utf8" }).filter(
    (f) => f.endsWith(".ts") && !/\.(test|fixture)\.ts$/.test(f),
  );

test("the folders of core know only those before them, and each other only through their index", () => {
  expect(
    readdirSync("core", { withFileTypes: true })
      .filter((d) => d.isDirectory())
      .map((d) => d.name)
      .sort(),
  ).toEqual([...order].sort());
  for (const [i, folder] of order.entries())
    for (const file of sources(folder)) {
      const text = readFileSync(`core/${folder}/${file}`, "utf8");
      for (const [, used] of text.matchAll(/from "#core\/([a-z-]+)(?:\/schema)?"/g))
        expect([folder, file, order.slice(0, i).includes(used!)]).toEqual([folder, file, true]);
      expect([file, /from "\.\.\/\.\.\/\.\./.test(text)]).toEqual([file, false]);
    }
});

/** These only read what comes from outside. */
const doors = ["project-file", "safe-folder"];

/** What a package does for core stands behind one file. */
const behindOneFile: Readonly<Record<string, string>> = {
  "geometry/rings.ts": "clipper2-ts",
  "drawings/svg-shapes.ts": "svg-pathdata",
};

test("core needs nothing but zod from outside, and that only at its doors, so that no worker carries it; and one package behind one file", () => {
  for (const folder of order)
    for (const file of sources(folder)) {
      const text = readFileSync(`core/${folder}/${file}`, "utf8");
      for (const [line, from] of text.matchAll(/^.*from "([^".#][^"]*)".*$/gm)) {
        if (behindOneFile[`${folder}/${file}`] === from) continue;
        expect(from).toBe("zod");
        const isDoor = doors.includes(folder) || file.startsWith("schema/") || line.startsWith("import type");
        expect([folder, file, isDoor]).toEqual([folder, file, true]);
      }
      if (file.startsWith("schema/") || doors.includes(folder)) continue;
      for (const [, type] of text.matchAll(/^(?:import|export)( type)? \{[^}]*\} from "[^"]*schema[^"]*"/gm))
        expect([folder, file, type]).toEqual([folder, file, " type"]);
    }
});
