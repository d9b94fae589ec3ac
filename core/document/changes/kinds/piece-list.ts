import { ok, type Result, refused } from "#core/result";
import { type Group, isGroup, type Page, type Piece, type Tile } from "../../page/page.ts";
import { findPage, type Project, withPage } from "../../project/project.ts";
import type { ChangeKind } from "./kind.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** Puts pieces on a page, or tiles into one of its groups; each place counts those put in before it. */
export interface InsertPieces {
  readonly type: "insertPieces";
  readonly pageId: string;
  readonly groupId?: string;
  readonly pieces: readonly { readonly piece: Piece | Tile; readonly at: number }[];
}

export interface RemovePieces {
  readonly type: "removePieces";
  readonly pageId: string;
  readonly groupId?: string;
  readonly ids: readonly string[];
}

/** All of them in another order: of pieces back to front, of a group's tiles as they are read. */
export interface OrderPieces {
  readonly type: "orderPieces";
  readonly pageId: string;
  readonly groupId?: string;
  readonly ids: readonly string[];
}

type ListChange = InsertPieces | RemovePieces | OrderPieces;
type Listed = readonly (Piece | Tile)[];

const groupIn = (page: Page, id: string): Group | undefined =>
  page.pieces.find((p): p is Group => isGroup(p) && p.id === id);

const listOf = (page: Page, groupId: string | undefined): Listed | undefined =>
  groupId === undefined ? page.pieces : groupIn(page, groupId)?.tiles;

function apply(project: Project, change: ListChange): Result<Project, ChangeTrouble> {
  const page = findPage(project, change.pageId);
  if (!page) return refused("pageGone", { pageId: change.pageId });
  const { groupId } = change;
  const list = listOf(page, groupId);
  if (!list) return refused("tileGone", { tileId: groupId ?? "" });
  const next = listAfter(list, change, page);
  if (!next.ok) return next;
  if (next.value === list) return ok(project);
  if (groupId === undefined) return ok(withPage(project, { ...page, pieces: next.value as readonly Piece[] }));
  const tiles = next.value as readonly Tile[];
  const pieces = page.pieces.map((p) => (p.id === groupId ? { ...p, tiles } : p));
  return ok(withPage(project, { ...page, pieces: pieces as readonly Piece[] }));
}

function listAfter(list: Listed, change: ListChange, page: Page): Result<Listed, ChangeTrouble> {
  switch (change.type) {
    case "insertPieces": {
      const next = [...list];
      for (const { piece, at } of change.pieces) {
        const known = idsIn(piece).find((id) => isOn(page, id) || next.some((p) => p.id === id));
        if (known !== undefined) return refused("pageThere", { pageId: known });
        if (change.groupId === undefined && !("kind" in piece)) return refused("tileGone", { tileId: piece.id });
        next.splice(Math.max(0, Math.min(at, next.length)), 0, piece);
      }
      return ok(change.pieces.length === 0 ? list : next);
    }
    case "removePieces": {
      const gone = change.ids.find((id) => !list.some((p) => p.id === id));
      if (gone !== undefined) return refused("tileGone", { tileId: gone });
      return ok(change.ids.length === 0 ? list : list.filter((p) => !change.ids.includes(p.id)));
    }
    case "orderPieces": {
      const byId = new Map(list.map((p) => [p.id, p]));
      const next = change.ids.flatMap((id) => byId.get(id) ?? []);
      if (next.length !== list.length || new Set(change.ids).size !== list.length) return refused("tileGone");
      return ok(next.every((p, i) => p === list[i]) ? list : next);
    }
  }
}

const idsIn = (piece: Piece | Tile): readonly string[] =>
  "kind" in piece && isGroup(piece) ? [piece.id, ...piece.tiles.map((t) => t.id)] : [piece.id];

const isOn = (page: Page, id: string): boolean => page.pieces.some((p) => idsIn(p).includes(id));

const where = ({ pageId, groupId }: ListChange) => ({ pageId, ...(groupId === undefined ? {} : { groupId }) });

const invertInsert = (_before: Project, change: InsertPieces): RemovePieces => ({
  type: "removePieces",
  ...where(change),
  ids: change.pieces.map((p) => p.piece.id),
});

function invertRemove(before: Project, change: RemovePieces): InsertPieces {
  const list = listOf(findPage(before, change.pageId)!, change.groupId)!;
  const pieces = list.flatMap((piece, at) => (change.ids.includes(piece.id) ? [{ piece, at }] : []));
  return { type: "insertPieces", ...where(change), pieces };
}

const invertOrder = (before: Project, change: OrderPieces): OrderPieces => ({
  ...change,
  ids: listOf(findPage(before, change.pageId)!, change.groupId)!.map((p) => p.id),
});

const pageId = (change: ListChange): string => change.pageId;

export const insertPieces: ChangeKind<InsertPieces, RemovePieces> = { apply, invert: invertInsert, pageId };
export const removePieces: ChangeKind<RemovePieces, InsertPieces> = { apply, invert: invertRemove, pageId };
/** Of two orders in a row the later one counts. */
export const orderPieces: ChangeKind<OrderPieces, OrderPieces> = {
  apply,
  invert: invertOrder,
  merge: (first, next) => (first.pageId === next.pageId && first.groupId === next.groupId ? next : undefined),
  pageId,
};
