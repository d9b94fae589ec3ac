import { existsSync, readdirSync, readFileSync } from "node:fs";
import { dirname, join, normalize } from "node:path";
import { expect, test } from "@jest/globals";

const sources = ["core", "web"].flatMap((top) =>
  readdirSync(top, { recursive: true, encoding: "utf8" })
    .filter((f) => /\.tsx?$/.test(f) && !/\.(test|fixture)\.ts$/.test(f) && !f.endsWith(".d.ts"))
    .map((f) => join(top, f)),
);

/** What each file takes from others, types as well; those that are fetched later count too. */
const uses = new Map(
  sources.map((file) => {
    const text = readFileSync(file, "utf8");
    const found = [...text.matchAll(/(?:from|import\()\s*"([.#][^"]+)"/g)].map(([, to]) =>
      to!.startsWith("#core/") ? join("core", to!.slice(6), "index.ts") : normalize(join(dirname(file), to!)),
    );
    return [file, found.filter((to) => existsSync(to) && /\.tsx?$/.test(to))] as const;
  }),
);

test("no file depends on itself by way of others", () => {
  const done = new Set<string>();
  const walk = (file: string, way: readonly string[]): void => {
    const at = way.indexOf(file);
    if (at >= 0) throw new Error([...way.slice(at), file].join(" → "));
    if (done.has(file)) return;
    for (const to of uses.get(file) ?? []) walk(to, [...way, file]);
    done.add(file);
  };
  expect(sources.length).toBeGreaterThan(400);
  for (const file of sources) walk(file, []);
});

/** Folders that must not know others. */
const strangers: readonly (readonly [RegExp, RegExp])[] = [
  [/^web\/(pictures|painters|storage|words|workers|safe-folder)\//, /^web\/(app|worker-programs)\//],
  [/^web\/workers\//, /^web\/(pictures|storage|safe-folder)\//],
  [/^web\/app\/state\//, /^web\/app\/(components|screens)\//],
  [/^web\/app\/components\//, /^web\/app\/screens\//],
  [/^web\/text\//, /^web\/(app|pictures|storage)\//],
];

test("folders know only what lies below them, and one screen nothing of another", () => {
  const screenOf = (file: string) => /^web\/app\/screens\/([^/]+)\//.exec(file)?.[1];
  const wrong = sources.flatMap((file) =>
    uses
      .get(file)!
      .filter(
        (to) =>
          strangers.some(([from, other]) => from.test(file) && other.test(to)) ||
          (screenOf(file) && screenOf(to) && screenOf(file) !== screenOf(to)),
      )
      .map((to) => `${file} → ${to}`),
  );
  expect(wrong).toEqual([]);
});
