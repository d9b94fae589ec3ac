import { ok, type Result, refused } from "#core/result";
import { firstOnRight, spreadsHold } from "../book.ts";
import { mostTiles } from "../page.ts";
import type { Project } from "../project.ts";
import type { ChangeKind } from "./kind.ts";
import { mostPages } from "./page-list.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** What never changes of a work. */
type Fixed = "schema" | "id" | "kind" | "createdAt";
type Settable = Exclude<keyof Project, Fixed>;

/** A part of a work that is not named here does not compile, so that no snapshot can forget one. */
const settableParts = {
  name: true,
  unit: true,
  style: true,
  book: true,
  cover: true,
  pockets: true,
  palette: true,
  notes: true,
  accepted: true,
  sheets: true,
  words: true,
  lab: true,
  format: true,
  pages: true,
} as const satisfies { readonly [K in Settable]: true };
const settable = Object.keys(settableParts) as readonly Settable[];

/** What holds for the project as a whole: its name, its book, its cover; or all pages at once, as pacing makes them. */
export interface SetProject extends Partial<Pick<Project, Settable>> {
  readonly type: "setProject";
}

function apply(project: Project, { type: _, ...change }: SetProject): Result<Project, ChangeTrouble> {
  const set = { ...project, ...change };
  if (settable.every((key) => set[key] === project[key])) return ok(project);
  if (set.pages.length > mostPages) return refused("tooManyPages", { most: mostPages });
  if (set.pages.length === 0) return refused("lastPage");
  const full = set.pages.find((p) => p.tiles.length > mostTiles);
  if (full) return refused("tooManyTiles", { most: mostTiles, tiles: full.tiles.length });
  if (set.kind === "book" && !spreadsHold(set.pages, firstOnRight(set))) return refused("spreadSplit");
  return ok(set);
}

function invert(before: Project, change: SetProject): SetProject {
  const was = settable.filter((key) => change[key] !== undefined).map((key) => [key, before[key]]);
  return { type: "setProject", ...Object.fromEntries(was) };
}

export const setProject: ChangeKind<SetProject, SetProject> = {
  apply,
  invert,
  merge: (first, next) => ({ ...first, ...next }),
};

/** Makes a work what it was in every part that can be set. */
export const backTo = (was: Project): SetProject => ({
  type: "setProject",
  ...Object.fromEntries(settable.map((part) => [part, was[part]])),
});
