import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, jest, test } from "@jest/globals";
import fc from "fast-check";
import { commandOf, type Handlers, hears } from "./hear.ts";
import { families, isPressed, type Pressed, parts } from "./keys.ts";
import { keysOf } from "./shown.ts";
import { places, type Scope, scopes } from "./table.ts";

const press = (key: string, held: Partial<Pressed> = {}) => ({
  key,
  ctrlKey: false,
  metaKey: false,
  shiftKey: false,
  altKey: false,
  preventDefault: jest.fn(),
  stopPropagation: jest.fn(),
  ...held,
});

/** All that `Mod+Arrows` lets one press. */
function presses(keys: string): Pressed[] {
  const { modifiers, key } = parts(keys);
  const held = {
    ctrlKey: modifiers.includes("Mod"),
    shiftKey: modifiers.includes("Shift"),
    altKey: modifiers.includes("Alt"),
  };
  const all: readonly string[] =
    key in families ? families[key as keyof typeof families] : [key === "Space" ? " " : key];
  return all.map((k) => press(k, held));
}

const everyScope = Object.keys(scopes) as Scope[];
const table: Record<string, Record<string, readonly string[]>> = scopes;

test("whatever the table names reaches its own command, and no keys are those of two", () => {
  for (const scope of everyScope)
    for (const [command, keys] of Object.entries(table[scope]!))
      for (const e of keys.flatMap(presses)) expect([scope, commandOf(scope, e)]).toEqual([scope, command]);
});

test("a modifier more or less is another combination; Cmd counts as Ctrl; a sign may need Shift", () => {
  const all = everyScope.flatMap((s) => Object.values(table[s]!).flat());
  fc.assert(
    fc.property(fc.constantFrom(...all), fc.constantFrom("ctrlKey", "altKey", "shiftKey"), (keys, modifier) => {
      for (const e of presses(keys)) {
        const other = { ...e, [modifier]: !e[modifier as "ctrlKey"] };
        const sign = modifier === "shiftKey" && /^[^\p{L}\p{N} ]$/u.test(e.key);
        expect(isPressed(keys, e)).toBe(true);
        expect(isPressed(keys, other)).toBe(sign);
        expect(isPressed(keys, { ...e, ctrlKey: false, metaKey: e.ctrlKey })).toBe(true);
      }
    }),
  );
});

test("what was done is taken from the browser and from others; what could not be done is left to them", () => {
  const handlers: Handlers<"history"> = { undo: () => true, redo: () => false };
  const heard = hears("history", handlers);
  const [done, left, strange] = [press("z", { ctrlKey: true }), press("y", { ctrlKey: true }), press("q")];
  for (const e of [done, left, strange]) heard(e);
  expect([done, left, strange].map((e) => e.preventDefault.mock.calls.length)).toEqual([1, 0, 0]);
  expect([done, left, strange].map((e) => e.stopPropagation.mock.calls.length)).toEqual([1, 0, 0]);
});

test("the sheet says keys as a person reads them, and every scope has its place", () => {
  expect(keysOf("history", "redo")).toEqual(["Ctrl + Shift + Z", "Ctrl + Y"]);
  expect(keysOf("openings", "movePage")).toEqual(["Alt + Shift + Left and right"]);
  expect(keysOf("reframing", "zoomIn")).toEqual(["+", "="]);
  const placed = new Set<Scope>(Object.values(places).flat());
  expect(everyScope.filter((s) => s !== "anywhere" && !placed.has(s))).toEqual([]);
});

test("keys are read here and by fields that are typed in, nowhere else", () => {
  const fields = /(number|length|count|text)-field\.tsx$|components\/(dialog|header|side-change-question)\.tsx$/;
  const readers = readdirSync("web/app", { recursive: true, encoding: "utf8" })
    .filter((f) => /\.tsx?$/.test(f) && !/^(commands|state)/.test(f) && !fields.test(f))
    .filter((f) => {
      const text = readFileSync(join("web/app", f), "utf8");
      // A field's own Enter and Escape, on the line where it says so.
      return text.split("\n").some((l) => /\be\.key\b/.test(l) && !/e\.key === "(Enter|Escape)"/.test(l));
    });
  expect(readers.sort()).toEqual(["screens/pages/tile-layer.tsx", "screens/photos/photo-wall.tsx"]);
});
