import type { Result } from "#core/result";
import type { Project } from "../project/project.ts";
import type { ChangeKind } from "./kinds/kind.ts";
import {
  type InsertPages,
  insertPages,
  type MovePages,
  movePages,
  type OrderPages,
  orderPages,
  type RemovePages,
  removePages,
} from "./kinds/page-list.ts";
import {
  type InsertPieces,
  insertPieces,
  type OrderPieces,
  orderPieces,
  type RemovePieces,
  removePieces,
} from "./kinds/piece-list.ts";
import { type ReplaceAll, type ReplacePage, replaceAll, replacePage } from "./kinds/replace.ts";
import { type SetGroups, setGroups } from "./kinds/set-groups.ts";
import { type SetPages, setPages } from "./kinds/set-pages.ts";
import { type SetProject, setProject } from "./kinds/set-project.ts";
import { type SetTiles, setTiles } from "./kinds/set-tiles.ts";
import type { ChangeTrouble } from "./kinds/trouble.ts";

/** Everything that can happen to a project, as plain data. */
export type Change =
  | SetTiles
  | SetGroups
  | SetPages
  | SetProject
  | InsertPieces
  | RemovePieces
  | OrderPieces
  | InsertPages
  | RemovePages
  | MovePages
  | OrderPages
  | ReplacePage
  | ReplaceAll;

/** A new kind is a file in `changes/` with its record, a line here, and its schema in `schema/changes.ts`. */
const changeKinds: { readonly [K in Change["type"]]: ChangeKind<Extract<Change, { readonly type: K }>, Change> } = {
  setTiles,
  setGroups,
  setPages,
  setProject,
  insertPieces,
  removePieces,
  orderPieces,
  insertPages,
  removePages,
  movePages,
  orderPages,
  replacePage,
  replaceAll,
};

const kindOf = (change: Change): ChangeKind<Change, Change> => changeKinds[change.type] as ChangeKind<Change, Change>;

export const applyChange = (project: Project, change: Change): Result<Project, ChangeTrouble> =>
  kindOf(change).apply(project, change);

export const invertChange = (before: Project, change: Change): Change => kindOf(change).invert(before, change);

/** What a list of changes does, in as few as can be: each is drawn into an earlier one of its kind, past those that it may trade places with. */
export function compacted(changes: readonly Change[]): readonly Change[] {
  const out: Change[] = [];
  for (const next of changes) {
    const kind = kindOf(next);
    const pageId = kind.pageId?.(next);
    let both: Change | undefined;
    for (let i = out.length - 1; i >= 0; i -= 1) {
      const earlier = out[i]!;
      both = earlier.type === next.type ? kind.merge?.(earlier, next) : undefined;
      if (both) out[i] = both;
      const other = kindOf(earlier).pageId?.(earlier);
      if (both) break;
      const apart = pageId !== undefined && other !== undefined && other !== pageId;
      if (!apart && !(kind.assigns && kindOf(earlier).assigns)) break;
    }
    if (!both) out.push(next);
  }
  return out;
}
