import { readdirSync, readFileSync } from "node:fs";
import { afterAll, expect, test } from "@jest/globals";
import * as english from "./en/index.ts";
import { formatsOf } from "./formats.ts";
import * as now from "./index.ts";
import { spoken } from "./spoken.ts";
import type { Words } from "./words.ts";

/** Every word in brackets, whatever makes it. */
function bracketed(value: unknown): unknown {
  if (typeof value === "string") return `[${value}]`;
  if (typeof value === "function") return (...args: unknown[]) => bracketed(value(...args));
  if (Array.isArray(value)) return value.map(bracketed);
  if (value !== null && typeof value === "object")
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, bracketed(v)]));
  return value;
}

afterAll(() => now.speak(english));

test("all words on screen are exchanged at once", () => {
  const { speak, ...before } = now;
  expect(Object.keys(before).sort()).toEqual(Object.keys(english).sort());
  speak({ ...english, ...(bracketed(english) as Words) });
  const { speak: _, ...after } = now;
  const same = Object.keys(before).filter((k) => after[k as keyof Words] === before[k as keyof Words]);
  expect(same).toEqual([]);
  expect(now.common.cancel).toBe("[Cancel]");
  expect(now.stepWords({ code: "renamed", count: 1 })).toBe("[Renamed this project]");
});

test("a subject whose words come later hears what is spoken already", () => {
  now.speak({ ...english, ...(bracketed(english) as Words) });
  const heard: string[] = [];
  spoken((next) => heard.push(next.language));
  now.speak(english);
  expect(heard).toEqual([`[${english.language}]`, english.language]);
});

test("a place reads its words when it shows them: none is kept from the start, and no language is named outside of its folder", () => {
  const files = readdirSync("web/app", { recursive: true, encoding: "utf8" }).filter((f) => /\.tsx?$/.test(f));
  const wrong = files.flatMap((f) => {
    const text = readFileSync(`web/app/${f}`, "utf8");
    const names = [...text.matchAll(/import \{([^}]*)\} from "[./]*text\/index\.ts"/g)].flatMap(([, list]) =>
      list!.split(",").map((n) => n.trim().split(" as ").at(-1)!),
    );
    return text
      .split("\n")
      .filter(
        (line) =>
          names.some((n) => n && new RegExp(`^(export )?const \\w+[^(]*= (?!\\()[^>]*\\b${n}\\.`).test(line)) ||
          /toLocale(String|DateString|TimeString)\(|Intl\.(Date|Number)/.test(line),
      )
      .map((line) => `${f}: ${line}`);
  });
  expect(wrong).toEqual(["components/cannot-open.tsx: const told: readonly string[] = Object.keys(words.titles);"]);
});

test("numbers, prices and days are written as a language does", () => {
  const [en, de] = [formatsOf("en-GB"), formatsOf("de")];
  expect([en.number(12_345), de.number(12_345), en.number(1.25, 1), de.percent(0.125, 1)]).toEqual([
    "12,345",
    "12.345",
    "1.3",
    "12,5 %",
  ]);
  expect([en.money(3, "GBP"), de.money(3, undefined)]).toEqual(["£3.00", "3,00"]);
  expect([en.takenDay("2025-05-03T23:30:00"), de.takenMonth("2025-05-03T23:30:00")]).toEqual([
    "3 May 2025",
    "Mai 2025",
  ]);
  const fish = { one: "one", few: "few", many: "many", other: "other" };
  expect([1, 2, 5].map((n) => formatsOf("pl").plural(n, fish))).toEqual(["one", "few", "many"]);
  expect([1, 2].map((n) => en.plural(n, { one: "photo", other: "photos" }))).toEqual(["photo", "photos"]);
});
