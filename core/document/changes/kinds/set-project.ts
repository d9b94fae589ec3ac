import { ok, type Result } from "#core/result";
import type { Project } from "../../project/project.ts";
import type { ChangeKind } from "./kind.ts";
import type { ReplaceAll } from "./replace.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** What never changes of a work. */
type Fixed = "schema" | "id" | "kind" | "createdAt";
/** Pages have changes of their own. */
type Settable = Exclude<keyof Project, Fixed | "pages" | "cover">;

/** A part of a work that is not named here does not compile, so that no snapshot can forget one. */
const settableParts = {
  name: true,
  unit: true,
  language: true,
  style: true,
  book: true,
  spine: true,
  pockets: true,
  palette: true,
  tones: true,
  styles: true,
  notes: true,
  accepted: true,
  sheets: true,
  words: true,
  lab: true,
  format: true,
} as const satisfies { readonly [K in Settable]: true };
const settable = Object.keys(settableParts) as readonly Settable[];

/** What holds for the project as a whole: its name, its book, its style. */
export interface SetProject extends Partial<Pick<Project, Settable>> {
  readonly type: "setProject";
}

function apply(project: Project, { type: _, ...change }: SetProject): Result<Project, ChangeTrouble> {
  const set = { ...project, ...change };
  return ok(settable.every((key) => set[key] === project[key]) ? project : set);
}

function invert(before: Project, change: SetProject): SetProject {
  const was = settable.filter((key) => change[key] !== undefined).map((key) => [key, before[key]]);
  return { type: "setProject", ...Object.fromEntries(was) };
}

export const setProject: ChangeKind<SetProject, SetProject> = {
  apply,
  invert,
  merge: (first, next) => ({ ...first, ...next }),
  assigns: true,
};

/** Makes a work what it was in every part that can be set. */
export const backTo = (was: Project): readonly [SetProject, ReplaceAll] => [
  { type: "setProject", ...Object.fromEntries(settable.map((part) => [part, was[part]])) },
  { type: "replaceAll", pages: was.pages, cover: was.cover },
];
