import { ok, type Result } from "#core/result";
import { applyChange, type Change, invertChange } from "./change.ts";
import type { ChangeTrouble } from "./changes/trouble.ts";
import { followedCover } from "./cover.ts";
import type { Project } from "./project.ts";

export const stepCodes = [
  "arranged",
  "changedGap",
  "changedMargin",
  "changedCorner",
  "changedBorder",
  "changedBleed",
  "changedColour",
  "filledTiles",
  "swappedPhotos",
  "emptiedTiles",
  "movedSeam",
  "reframed",
  "resetFraming",
  "renamed",
  "changedUnit",
  "arrangedAnew",
  "ledBy",
  "shuffled",
  "slippedIn",
  "tookAway",
  "halvedTile",
  "resetArrangement",
  "mirroredPage",
  "keptTogether",
  "changedOrder",
  "lockedTiles",
  "changedHold",
  "tookTemplate",
  "addedPages",
  "copiedPage",
  "removedPages",
  "movedPage",
  "wrote",
  "changedWords",
  "addedWords",
  "addedCaptions",
  "movedWords",
  "laidCard",
  "changedBackdrop",
  "changedPalette",
  "paced",
  "movedBreak",
  "changedBook",
  "changedCover",
  "madeCover",
  "tookCover",
  "madeSpread",
  "splitSpread",
  "dressedPages",
  "matchedPages",
  "changedSize",
  "markedPage",
  "broughtPages",
  "movedTiles",
  "combined",
  "wentBack",
  "mended",
  "accepted",
  "packedSheets",
  "changedSheets",
] as const;
export type StepCode = (typeof stepCodes)[number];

/** What a person did, for the words "Undo …": a code, and how many things it touched. */
export interface StepName {
  readonly code: StepCode;
  readonly count: number;
}

/** One gesture. */
export interface Step {
  readonly name: StepName;
  readonly changes: readonly Change[];
  /** Leads back, in the order in which to apply it. */
  readonly inverses: readonly Change[];
  readonly at: string;
  /** Steps in a row with the same key, close in time, become one: typing, wheel, arrow keys. */
  readonly mergeKey?: string;
}

/** `done` steps lie behind the project as it stands, the rest can be done again. */
export interface History {
  readonly steps: readonly Step[];
  readonly done: number;
}

export interface Editing {
  readonly project: Project;
  readonly history: History;
}

export const noHistory: History = { steps: [], done: 0 };

const mergeWithinMs = 1500;
const keptSteps = 400;

export interface Gesture {
  readonly name: StepName;
  readonly changes: readonly Change[];
  readonly at: string;
  readonly mergeKey?: string;
}

/** All changes or none. The same object back when they come to nothing, so that no empty step is kept. */
export function commit(now: Editing, gesture: Gesture): Result<Editing, ChangeTrouble> {
  const tried = applyAll(now.project, gesture.changes);
  if (!tried.ok) return tried;
  const held = pacing.has(gesture.name.code) ? [] : madeByHand(now.project, tried.value.project);
  const cover = followedCover(now.project, tried.value.project);
  const follows: Change[] = cover === tried.value.project.cover ? [] : [{ type: "setProject", cover }];
  const changes = [...gesture.changes, ...held, ...follows];
  const applied = changes.length > gesture.changes.length ? applyAll(now.project, changes) : tried;
  if (!applied.ok) return applied;
  const { project, inverses } = applied.value;
  if (project === now.project) return ok(now);
  const past = now.history.steps.slice(0, now.history.done);
  const last = past.at(-1);
  const step: Step = { ...gesture, changes, inverses };
  const steps =
    last && merges(last, step)
      ? [
          ...past.slice(0, -1),
          { ...step, changes: [...last.changes, ...step.changes], inverses: [...inverses, ...last.inverses] },
        ]
      : [...past, step].slice(-keptSteps);
  return ok({ project, history: { steps, done: steps.length } });
}

/** Steps after which a page that was paced may still be paced again. */
const pacing: ReadonlySet<StepCode> = new Set([
  "paced",
  "movedBreak",
  "dressedPages",
  "changedSize",
  "movedPage",
  "changedBook",
]);

/** A page that a hand has changed is that person's own from then on. */
function madeByHand(before: Project, after: Project): Change[] {
  if (after.pages === before.pages) return [];
  const known = new Map(before.pages.map((p) => [p.id, p]));
  return after.pages.flatMap((page): Change[] => {
    const was = known.get(page.id);
    return page.paced && was?.paced && was !== page ? [{ type: "putPage", page: { ...page, paced: false } }] : [];
  });
}

function merges(last: Step, next: Step): boolean {
  if (next.mergeKey === undefined || last.mergeKey !== next.mergeKey) return false;
  // A clock that was put back says nothing about how close together they were.
  const apartMs = Date.parse(next.at) - Date.parse(last.at);
  return apartMs > 0 && apartMs <= mergeWithinMs;
}

export const nextUndo = (h: History): StepName | undefined => h.steps[h.done - 1]?.name;
export const nextRedo = (h: History): StepName | undefined => h.steps[h.done]?.name;

export function undo(now: Editing): Result<Editing, ChangeTrouble> {
  const step = now.history.steps[now.history.done - 1];
  return step ? travel(now, step.inverses, -1) : ok(now);
}

export function redo(now: Editing): Result<Editing, ChangeTrouble> {
  const step = now.history.steps[now.history.done];
  return step ? travel(now, step.changes, 1) : ok(now);
}

function travel(now: Editing, changes: readonly Change[], by: 1 | -1): Result<Editing, ChangeTrouble> {
  const applied = applyAll(now.project, changes);
  if (!applied.ok) return applied;
  return ok({ project: applied.value.project, history: { ...now.history, done: now.history.done + by } });
}

function applyAll(
  start: Project,
  changes: readonly Change[],
): Result<{ readonly project: Project; readonly inverses: readonly Change[] }, ChangeTrouble> {
  let project = start;
  const inverses: Change[] = [];
  for (const change of changes) {
    const next = applyChange(project, change);
    if (!next.ok) return next;
    if (next.value !== project) inverses.unshift(invertChange(project, change));
    project = next.value;
  }
  return ok({ project, inverses });
}
