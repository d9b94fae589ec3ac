import { ok, type Result, refused } from "#core/result";
import { firstOnRight, spreadsHold } from "../book.ts";
import { mostTiles } from "../page.ts";
import type { Project } from "../project.ts";
import { mostPages } from "./page-list.ts";
import type { ChangeTrouble } from "./trouble.ts";

const settable = [
  "name",
  "unit",
  "style",
  "book",
  "cover",
  "pockets",
  "palette",
  "notes",
  "accepted",
  "sheets",
  "words",
  "lab",
  "format",
  "pages",
] as const;

/** What holds for the project as a whole: its name, its book, its cover; or all pages at once, as pacing makes them. */
export interface SetProject extends Partial<Pick<Project, (typeof settable)[number]>> {
  readonly type: "setProject";
}

export function applySetProject(project: Project, { type: _, ...change }: SetProject): Result<Project, ChangeTrouble> {
  const set = { ...project, ...change };
  if (settable.every((key) => set[key] === project[key])) return ok(project);
  if (set.pages.length > mostPages) return refused("tooManyPages", { most: mostPages });
  if (set.pages.length === 0) return refused("lastPage");
  const full = set.pages.find((p) => p.tiles.length > mostTiles);
  if (full) return refused("tooManyTiles", { most: mostTiles, tiles: full.tiles.length });
  if (set.kind === "book" && !spreadsHold(set.pages, firstOnRight(set))) return refused("spreadSplit");
  return ok(set);
}

export function invertSetProject(before: Project, change: SetProject): SetProject {
  const was = settable.filter((key) => change[key] !== undefined).map((key) => [key, before[key]]);
  return { type: "setProject", ...Object.fromEntries(was) };
}
