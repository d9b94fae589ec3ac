import { lookFields, lookKeys, ownLookFor } from "../page/look.ts";
import { type Group, isGroup, type Look, type Page, type Piece, type Tile } from "../page/page.ts";
import type { Change } from "./change.ts";
import { difference } from "./kinds/patch.ts";
import type { GroupFields } from "./kinds/set-groups.ts";
import type { PageFields } from "./kinds/set-pages.ts";
import type { TileFields } from "./kinds/set-tiles.ts";

/** What makes one state of a page of another, in as few and small changes as can be. */

/** Every field, or one that is new would be shown and then not kept: a missing one does not compile. */
const keysOf = <T extends object>(all: { readonly [K in keyof Required<T>]: true }) =>
  Object.keys(all) as unknown as readonly (keyof T)[];

const pageKeys = keysOf<PageFields>({
  ...lookFields,
  span: true,
  blank: true,
  paced: true,
  plain: true,
  print: true,
  guides: true,
  scatter: true,
});
const groupKeys = keysOf<GroupFields>({
  room: true,
  arrangement: true,
  first: true,
  gapMm: true,
  cornerMm: true,
  border: true,
  shadow: true,
  soft: true,
  name: true,
  hidden: true,
});
const tileKeys = keysOf<TileFields>({
  filling: true,
  frame: true,
  cornerMm: true,
  border: true,
  shadow: true,
  soft: true,
  outline: true,
  opacity: true,
  lock: true,
  cardBleedMm: true,
  through: true,
  ring: true,
  name: true,
  hidden: true,
  byTemplate: true,
  tieId: true,
});

/** A page that has hardly anything in common with what it was is replaced as a whole. */
export function pageChanges(was: Page, is: Page): readonly Change[] {
  if (was === is) return [];
  const fine = fineChanges(was, is);
  const whole: Change = { type: "replacePage", page: is };
  return sizeOf(fine) < sizeOf(whole) ? fine : [whole];
}

/** A page looking so in a work of this style; what is as the style has it is left unsaid. */
export const lookChange = (page: Page, look: Look, style: Look): Change => {
  const set = ownLookFor(look, style);
  const unset = lookKeys.filter((k) => page[k] !== undefined && !(k in set));
  return { type: "setPages", items: [{ id: page.id, set, unset }] };
};

const sizeOf = (data: unknown): number => JSON.stringify(data).length;

function fineChanges(was: Page, is: Page): readonly Change[] {
  const pageId = is.id;
  const changes: Change[] = [];
  const page = difference<PageFields>(was, is, pageKeys);
  if (page) changes.push({ type: "setPages", items: [{ id: pageId, ...page }] });
  const before = new Map(was.pieces.map((p) => [p.id, p]));
  const both = is.pieces.flatMap((p): readonly (readonly [Piece, Piece])[] => {
    const old = before.get(p.id);
    return old && old.kind === p.kind ? [[old, p]] : [];
  });
  const kept = new Set(both.map(([p]) => p.id));
  const groups = both.filter((pair): pair is readonly [Group, Group] => isGroup(pair[0]));
  // Everything that goes is gone before anything comes: a tile may leave its group to lie freely.
  changes.push(...removed(pageId, undefined, was.pieces, (p) => kept.has(p.id)));
  for (const [old, now] of groups)
    changes.push(...removed(pageId, old.id, old.tiles, (t) => now.tiles.some((n) => n.id === t.id)));
  for (const [old, now] of groups) changes.push(...listed(pageId, old.id, old.tiles, now.tiles));
  changes.push(
    ...listed(
      pageId,
      undefined,
      was.pieces.filter((p) => kept.has(p.id)),
      is.pieces,
    ),
  );
  const told = groups.flatMap(([old, now]) => {
    const patch = difference<GroupFields>(old, now, groupKeys);
    return patch ? [{ id: now.id, ...patch }] : [];
  });
  if (told.length > 0) changes.push({ type: "setGroups", pageId, items: told });
  const tiles = both.flatMap(([old, now]): readonly (readonly [TileFields & Tile, TileFields & Tile])[] =>
    isGroup(old) ? pairs(old.tiles, (now as Group).tiles) : [[old, now as TileFields & Tile]],
  );
  const dressed = tiles.flatMap(([old, now]) => {
    const patch = old === now ? undefined : difference<TileFields>(old, now, tileKeys);
    return patch ? [{ id: now.id, ...patch }] : [];
  });
  if (dressed.length > 0) changes.push({ type: "setTiles", pageId, items: dressed });
  return changes;
}

function pairs(was: readonly Tile[], is: readonly Tile[]): readonly (readonly [Tile, Tile])[] {
  const before = new Map(was.map((t) => [t.id, t]));
  return is.flatMap((t) => {
    const old = before.get(t.id);
    return old ? [[old, t] as const] : [];
  });
}

const inside = (pageId: string, groupId: string | undefined) =>
  groupId === undefined ? { pageId } : { pageId, groupId };

function removed<T extends { readonly id: string }>(
  pageId: string,
  groupId: string | undefined,
  was: readonly T[],
  stays: (t: T) => boolean,
): readonly Change[] {
  const ids = was.filter((t) => !stays(t)).map((t) => t.id);
  return ids.length === 0 ? [] : [{ type: "removePieces", ...inside(pageId, groupId), ids }];
}

/** Those that come in, and the order of all where it is another. */
function listed(
  pageId: string,
  groupId: string | undefined,
  was: readonly (Piece | Tile)[],
  is: readonly (Piece | Tile)[],
): readonly Change[] {
  const known = new Set(was.map((t) => t.id));
  const here = new Set(is.map((t) => t.id));
  const fresh = is.flatMap((piece, at) => (known.has(piece.id) ? [] : [{ piece, at }]));
  const changes: Change[] =
    fresh.length === 0 ? [] : [{ type: "insertPieces", ...inside(pageId, groupId), pieces: fresh }];
  const left = was.filter((t) => here.has(t.id)).map((t) => t.id);
  const wanted = is.filter((t) => known.has(t.id)).map((t) => t.id);
  if (left.some((id, i) => id !== wanted[i]))
    changes.push({ type: "orderPieces", ...inside(pageId, groupId), ids: is.map((t) => t.id) });
  return changes;
}
