import { ok, type Result } from "#core/result";
import { coverMoves } from "../project/cover.ts";
import { inPalette } from "../project/palette.ts";
import { findPage, type Project } from "../project/project.ts";
import { applyChange, type Change, compacted, invertChange } from "./change.ts";
import { contentsFollow } from "./contents-follow.ts";
import { stillHolds } from "./holds.ts";
import type { ChangeTrouble } from "./kinds/trouble.ts";
import { pageChanges } from "./page-changes.ts";
import { storyKept } from "./story-follows.ts";
import { wordsStay } from "./words-stay.ts";

export const stepCodes = [
  "addedContents",
  "arranged",
  "changedGap",
  "changedMargin",
  "changedCorner",
  "changedOutline",
  "changedOpacity",
  "changedTone",
  "changedFade",
  "changedWhiteBorder",
  "changedRing",
  "changedShadow",
  "changedLight",
  "changedSoft",
  "dressedAsPage",
  "gaveLook",
  "keptTone",
  "droppedTone",
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
  "changedLanguage",
  "arrangedAnew",
  "tiledGroup",
  "scattered",
  "laidGuide",
  "movedGuide",
  "removedGuide",
  "tookDrawing",
  "tookPages",
  "tookLayers",
  "tiedTiles",
  "untiedTiles",
  "mirroredTiles",
  "combinedShapes",
  "grewShape",
  "madeExact",
  "letFree",
  "madeWord",
  "putLetters",
  "ranThrough",
  "gaveBack",
  "tookApart",
  "ledBy",
  "shuffled",
  "slippedIn",
  "tookAway",
  "halvedTile",
  "resetArrangement",
  "mirroredPage",
  "keptTogether",
  "movedFree",
  "sizedTiles",
  "turnedTiles",
  "alignedTiles",
  "copiedTiles",
  "addedShape",
  "madeEqual",
  "freedSizes",
  "changedOrder",
  "hidTile",
  "showedTile",
  "namedTile",
  "movedPiece",
  "lockedTiles",
  "lockedFilling",
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
  "mirroredWords",
  "storyRunsOn",
  "storyEnds",
  "pastedWords",
  "replacedWords",
  "fittedWords",
  "changedBackdrop",
  "laidPaper",
  "changedPaper",
  "laidOrnament",
  "changedOrnament",
  "changedPalette",
  "tookStyle",
  "keptStyle",
  "droppedStyle",
  "changedFonts",
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
  "splitPage",
  "joinedParts",
  "pasted",
  "addedPrints",
  "changedPrints",
  "removedPrints",
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
  /** Made by pacing or by what concerns all pages alike: a page that was paced may still be paced again. */
  readonly byProgram?: boolean;
  /** What follows from it that can only be told with fonts at hand. */
  readonly follow?: Follower | undefined;
}

/** What follows from a change besides itself: each sees what those before it did. */
export type Follower = (before: Project, after: Project, gesture: Gesture) => readonly Change[];

/** A page that a hand has changed is that person's own from then on, and no longer pacing's to make again. */
const pacedNoMore: Follower = (before, after, { byProgram }) => {
  if (byProgram || after.pages === before.pages) return [];
  const known = new Map(before.pages.map((p) => [p.id, p]));
  return after.pages.flatMap((page): Change[] => {
    const was = known.get(page.id);
    return page.paced && was?.paced && was !== page
      ? [{ type: "setPages", items: [{ id: page.id, set: { paced: false } }] }]
      : [];
  });
};

/** The cover follows the number of pages, the paper and the lab. */
const coverFollows: Follower = (before, after) => {
  const moved = coverMoves(before, after);
  if (moved.length === 0) return [];
  return [{ type: "setTiles", pageId: after.cover!.id, items: moved.map(({ id, frame }) => ({ id, set: { frame } })) }];
};

/** Papers are drawn in the work's palette. */
const paletteFollows: Follower = (before, after) => (after.palette === before.palette ? [] : inPalette(after));

const followers: readonly Follower[] = [
  storyKept,
  wordsStay,
  contentsFollow,
  pacedNoMore,
  coverFollows,
  paletteFollows,
];

/** All changes or none. The same object back when they come to nothing, so that no empty step is kept. */
export function commit(now: Editing, gesture: Gesture): Result<Editing, ChangeTrouble> {
  let applied = applyAll(now.project, refined(now.project, gesture.changes));
  if (!applied.ok) return applied;
  const holds = stillHolds(now.project, applied.value.project);
  if (!holds.ok) return holds;
  for (const follower of [...followers, ...(gesture.follow ? [gesture.follow] : [])]) {
    const more = follower(now.project, applied.value.project, gesture);
    if (more.length === 0) continue;
    const then = applyAll(applied.value.project, more);
    if (!then.ok) return then;
    applied = ok({
      project: then.value.project,
      changes: [...applied.value.changes, ...then.value.changes],
      inverses: [...then.value.inverses, ...applied.value.inverses],
    });
  }
  const { project, changes, inverses } = applied.value;
  if (project === now.project) return ok(now);
  const past = now.history.steps.slice(0, now.history.done);
  const last = past.at(-1);
  const { name, at, mergeKey } = gesture;
  const step: Step = { name, changes, inverses, at, ...(mergeKey === undefined ? {} : { mergeKey }) };
  const steps =
    last && merges(last, step) ? [...past.slice(0, -1), both(last, step)] : [...past, step].slice(-keptSteps);
  return ok({ project, history: { steps, done: steps.length } });
}

/** A page that is handed in as a whole is kept by what changed on it. */
const refined = (project: Project, changes: readonly Change[]): readonly Change[] =>
  changes.flatMap((change) => {
    const was = change.type === "replacePage" && findPage(project, change.page.id);
    // Only the first change of a page knows what stands before it.
    const alone = changes.every((c) => c === change || !touches(c, change));
    return was && alone && change.type === "replacePage" ? pageChanges(was, change.page) : [change];
  });

/** Whether another change could reach the page that one replaces. */
const touches = (other: Change, change: Change): boolean => {
  if (change.type !== "replacePage") return true;
  if (other.type === "replacePage") return other.page.id === change.page.id;
  if (other.type === "setProject") return false;
  return !("pageId" in other) || other.pageId === change.page.id;
};

/** Two steps as one that holds no more than it has to: of a typed text only what it was at first and is at last. */
const both = (last: Step, next: Step): Step => ({
  ...next,
  changes: compacted([...last.changes, ...next.changes]),
  inverses: compacted([...next.inverses, ...last.inverses]),
});

function merges(last: Step, next: Step): boolean {
  if (next.mergeKey === undefined || last.mergeKey !== next.mergeKey) return false;
  // A clock that was put back says nothing about how close together they were.
  const apartMs = Date.parse(next.at) - Date.parse(last.at);
  return apartMs > 0 && apartMs <= mergeWithinMs;
}

export function undo(now: Editing): Result<Editing, ChangeTrouble> {
  const step = now.history.steps[now.history.done - 1];
  return step ? travel(now, step.inverses, -1) : ok(now);
}

export function redo(now: Editing): Result<Editing, ChangeTrouble> {
  const step = now.history.steps[now.history.done];
  return step ? travel(now, step.changes, 1) : ok(now);
}

/** As many steps back or forward as lead to where `done` of them lie behind the project; as far as they can be done. */
export function travelled(now: Editing, done: number): Editing {
  let at = now;
  while (at.history.done !== done) {
    const next = at.history.done > done ? undo(at) : redo(at);
    if (!next.ok || next.value === at) return at;
    at = next.value;
  }
  return at;
}

/** The page that a step changed: the first that differs, or one that is there only before or after it. */
export function pageOfStep(before: Project, after: Project): string | undefined {
  const all = (p: Project) => (p.cover ? [p.cover, ...p.pages] : p.pages);
  const was = new Map(all(before).map((p) => [p.id, p]));
  const changed = all(after).find((p) => was.get(p.id) !== p);
  const here = new Set(all(after).map((p) => p.id));
  return (changed ?? all(before).find((p) => !here.has(p.id)))?.id;
}

function travel(now: Editing, changes: readonly Change[], by: 1 | -1): Result<Editing, ChangeTrouble> {
  const applied = applyAll(now.project, changes);
  if (!applied.ok) return applied;
  return ok({ project: applied.value.project, history: { ...now.history, done: now.history.done + by } });
}

interface Applied {
  readonly project: Project;
  /** Those that came to something. */
  readonly changes: readonly Change[];
  readonly inverses: readonly Change[];
}

function applyAll(start: Project, changes: readonly Change[]): Result<Applied, ChangeTrouble> {
  let project = start;
  const made: Change[] = [];
  const inverses: Change[] = [];
  for (const change of changes) {
    const next = applyChange(project, change);
    if (!next.ok) return next;
    if (next.value !== project) {
      made.push(change);
      inverses.unshift(invertChange(project, change));
    }
    project = next.value;
  }
  return ok({ project, changes: made, inverses });
}
