import type { Result } from "#core/result";
import { type DressTiles, dressTiles } from "./changes/dress-tiles.ts";
import { type FillTiles, fillTiles } from "./changes/fill-tiles.ts";
import type { ChangeKind } from "./changes/kind.ts";
import { type MoveSeam, moveSeam } from "./changes/move-seam.ts";
import {
  type InsertPages,
  insertPages,
  type MovePages,
  movePages,
  type OrderPages,
  orderPages,
  type RemovePages,
  removePages,
} from "./changes/page-list.ts";
import { type PutPage, putPage } from "./changes/put-page.ts";
import { type SetLook, setLook } from "./changes/set-look.ts";
import { type SetProject, setProject } from "./changes/set-project.ts";
import type { ChangeTrouble } from "./changes/trouble.ts";
import type { Project } from "./project.ts";

/** Everything that can happen to a project, as plain data. */
export type Change =
  | PutPage
  | FillTiles
  | SetLook
  | DressTiles
  | MoveSeam
  | InsertPages
  | RemovePages
  | MovePages
  | OrderPages
  | SetProject;

/** A new kind is a file in `changes/` with its record, a line here, and its schema in `schema/changes.ts`. */
const changeKinds: { readonly [K in Change["type"]]: ChangeKind<Extract<Change, { readonly type: K }>, Change> } = {
  putPage,
  fillTiles,
  setLook,
  dressTiles,
  moveSeam,
  insertPages,
  removePages,
  movePages,
  orderPages,
  setProject,
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
      if (both || pageId === undefined || other === undefined || other === pageId) break;
    }
    if (!both) out.push(next);
  }
  return out;
}
