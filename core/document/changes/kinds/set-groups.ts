import { ok, type Result, refused } from "#core/result";
import { type Group, isGroup } from "../../page/page.ts";
import { findPage, type Project, withPage } from "../../project/project.ts";
import type { ChangeKind } from "./kind.ts";
import { type Patch, patchAll, patched, unpatched } from "./patch.ts";
import type { ChangeTrouble } from "./trouble.ts";

export type GroupFields = Omit<Group, "id" | "kind" | "tiles">;

/** Tells groups how they are arranged, which room they fill, what they wear. */
export interface SetGroups {
  readonly type: "setGroups";
  readonly pageId: string;
  readonly items: readonly ({ readonly id: string } & Patch<GroupFields>)[];
}

function apply(project: Project, change: SetGroups): Result<Project, ChangeTrouble> {
  const page = findPage(project, change.pageId);
  if (!page) return refused("pageGone", { pageId: change.pageId });
  const byId = new Map(patchAll<GroupFields, SetGroups["items"][number]>([], change.items).map((i) => [i.id, i]));
  const gone = change.items.find(({ id }) => !page.pieces.some((p) => isGroup(p) && p.id === id));
  if (gone) return refused("tileGone", { tileId: gone.id });
  const pieces = page.pieces.map((piece) => {
    const patch = byId.get(piece.id);
    return patch && isGroup(piece) ? patched<Group>(piece, patch) : piece;
  });
  return ok(pieces.every((p, i) => p === page.pieces[i]) ? project : withPage(project, { ...page, pieces }));
}

function invert(before: Project, change: SetGroups): SetGroups {
  const { pieces } = findPage(before, change.pageId)!;
  const groupOf = (id: string) => pieces.find((p): p is Group => isGroup(p) && p.id === id)!;
  const items = change.items.map((item) => ({ id: item.id, ...unpatched<GroupFields>(groupOf(item.id), item) }));
  return { ...change, items };
}

const merge = (first: SetGroups, next: SetGroups): SetGroups | undefined =>
  first.pageId === next.pageId
    ? { ...next, items: patchAll<GroupFields, SetGroups["items"][number]>(first.items, next.items) }
    : undefined;

export const setGroups: ChangeKind<SetGroups, SetGroups> = {
  apply,
  invert,
  merge,
  pageId: (c) => c.pageId,
  assigns: true,
};
