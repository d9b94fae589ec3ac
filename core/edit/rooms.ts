import { type TreeNode, withSetsApart } from "#core/arrange";
import {
  type Group,
  groupAt,
  groupsOf,
  mainGroup,
  newGroup,
  newTile,
  type Page,
  type PlacedGroup,
  type PlacedPage,
  plainTree,
  type Room,
  treeOfGroup,
  wholeRoom,
  withGroup,
  withoutPieces,
} from "#core/document";

/** What is done with the parts of a page that groups fill. */

type Share = Extract<Room, { readonly kind: "share" }>;
type Region = Room["of"];
/** Beside each other, or one above the other. */
export type RoomAxis = "side" | "stack";

const whole = { left: 0, top: 0, right: 1, bottom: 1 };
const near = 1e-6;

/** A place for one photo that fills a room. */
const onePlace = (room: Room, newId: () => string): Group => {
  const tile = newTile(undefined, newId);
  return newGroup(plainTree({ tileId: tile.id, aspect: 1 }, false), [tile], newId, room);
};

/** The group that an edit of a page means: that of a tile, else the first that waits for photos, else the first. */
export function groupMeant(on: PlacedPage, tileId: string | undefined): PlacedGroup | undefined {
  const of = tileId === undefined ? undefined : groupAt(on, tileId);
  const waiting = on.groups.find((g) => g.group.tiles.every((t) => t.filling.kind === "empty"));
  return of ?? (on.groups.length > 1 ? waiting : undefined) ?? groupAt(on);
}

/** The page with that group as the one which is arranged. */
export const aroundGroup = (on: PlacedPage, groupId: string | undefined): PlacedPage => ({
  ...on,
  groups: on.groups.toSorted((a, b) => Number(b.group.id === groupId) - Number(a.group.id === groupId)),
});

/** A room cut in two; what was in it keeps the first half, and the second waits for photos. A bare page gets two. */
export function roomSplit(on: PlacedPage, groupId: string | undefined, axis: RoomAxis, newId: () => string): Page {
  const was = groupsOf(on.page).find((g) => g.id === groupId) ?? mainGroup(on.page);
  const room: Share = was?.room.kind === "share" ? was.room : (wholeRoom as Share);
  if (was && was.room.kind !== "share") return on.page;
  const [first, second] = isSpread(on, room) && axis === "side" ? pagesOfSpread(room) : halves(room, axis);
  const kept = was ? { ...was, room: first } : onePlace(first, newId);
  const other = onePlace(second, newId);
  const page = withGroup(on.page, kept);
  const at = page.pieces.findIndex((p) => p.id === kept.id);
  return { ...page, pieces: page.pieces.toSpliced(at + 1, 0, other) };
}

function halves(room: Share, axis: RoomAxis): readonly [Share, Share] {
  const { left, top, right, bottom } = room.share;
  const [x, y] = [(left + right) / 2, (top + bottom) / 2];
  const [first, second] =
    axis === "side"
      ? [
          { ...room.share, right: x },
          { ...room.share, left: x },
        ]
      : [
          { ...room.share, bottom: y },
          { ...room.share, top: y },
        ];
  return [
    { ...room, share: first },
    { ...room, share: second },
  ];
}

/** Over the full width of two facing pages. */
const isSpread = (on: PlacedPage, { of, share }: Share): boolean =>
  of === "page" && share.left === 0 && share.right === 1 && Boolean(on.format.regions?.some((r) => r.of === "left"));

/** Cut at the fold, so that each page has margins of its own there and nothing lies in it. */
const pagesOfSpread = (room: Share): readonly [Share, Share] => [
  { ...room, of: "left" },
  { ...room, of: "right" },
];

/** A region of the page that nothing fills yet (the back of a cover, the right page of a spread) takes photos from now on. */
export function roomAdded(on: PlacedPage, of: Region, newId: () => string): Page {
  const group = onePlace({ kind: "share", of, share: whole }, newId);
  return { ...on.page, pieces: [group, ...on.page.pieces] };
}

/** A region filled by one photo, in place of what filled it by an arrangement before; `page` is all of it. */
export function roomFilled(on: PlacedPage, of: Region, photoId: string, newId: () => string): Page {
  const bare = withoutPieces(
    on.page,
    groupsOf(on.page).flatMap((g) => (g.room.of === of ? [g.id] : [])),
  );
  const tile = newTile(photoId, newId);
  const room: Room = { kind: "share", of, share: whole };
  const group = newGroup(plainTree({ tileId: tile.id, aspect: 1 }, false), [tile], newId, room);
  return { ...bare, pieces: [group, ...bare.pieces] };
}

/** What a picture that covers a tile loses on the left and right, and at the top and bottom, in mm. */
export function lostAtEdges(
  aspect: number,
  { w, h }: { readonly w: number; readonly h: number },
): { readonly sidesMm: number; readonly endsMm: number } {
  const [across, down] = aspect > w / h ? [h * aspect, h] : [w, w / aspect];
  return { sidesMm: (across - w) / 2, endsMm: (down - h) / 2 };
}

/** Regions of the page without a group of their own. */
export const bareRegions = (on: PlacedPage): readonly Region[] =>
  (on.format.regions ?? []).map((r) => r.of).filter((of) => !groupsOf(on.page).some((g) => g.room.of === of));

/** All groups of the page as one over all of it, each as a part of the whole in the place where it lay. */
export function roomsJoined(on: PlacedPage): Page {
  const [first, ...rest] = on.groups;
  if (!first || rest.length === 0) return on.page;
  const trees = on.groups.map(treeOfGroup);
  if (!trees.every((t) => t !== undefined)) return on.page;
  const apart = new Map(withSetsApart(trees).map((t, i) => [on.groups[i]!, t]));
  const tree = joinedTree(on.groups, (g) => apart.get(g)!);
  if (!tree) return on.page;
  const { first: _, ...main } = first.group;
  const tiles = on.groups.flatMap((g) => g.group.tiles);
  const page = withoutPieces(
    on.page,
    rest.map((g) => g.group.id),
  );
  return withGroup(page, { ...main, room: wholeRoom, tiles, arrangement: plainTree(tree, false) });
}

/** The trees of groups as one, cut where they all lie on either side of a line. */
function joinedTree(groups: readonly PlacedGroup[], treeOf: (group: PlacedGroup) => TreeNode): TreeNode | undefined {
  const [only, ...more] = groups;
  if (!only || more.length === 0) return only && treeOf(only);
  for (const [way, from, to] of [
    ["side", (g: PlacedGroup) => g.room.x, (g: PlacedGroup) => g.room.x + g.room.w],
    ["stack", (g: PlacedGroup) => g.room.y, (g: PlacedGroup) => g.room.y + g.room.h],
  ] as const) {
    const sorted = groups.toSorted((a, b) => from(a) - from(b));
    for (let i = 1; i < sorted.length; i += 1) {
      const [before, after] = [sorted.slice(0, i), sorted.slice(i)];
      if (Math.max(...before.map(to)) > Math.min(...after.map(from)) + near) continue;
      const [a, b] = [joinedTree(before, treeOf), joinedTree(after, treeOf)];
      return a && b && { way, parts: [a, b] };
    }
  }
  return undefined;
}

/** A line that rooms of one region share: where it lies in mm (its middle, and from where to where), and its place as a share. */
export interface RoomSeam {
  readonly of: Region;
  readonly across: boolean;
  readonly share: number;
  readonly at: number;
  readonly from: number;
  readonly to: number;
}

const sharesOf = (g: PlacedGroup) => (g.group.room.kind === "share" ? g.group.room : undefined);

export function roomSeams(on: PlacedPage): RoomSeam[] {
  const { gapMm } = on.look;
  const found = new Map<string, RoomSeam>();
  for (const g of on.groups)
    for (const across of [true, false]) {
      const room = sharesOf(g);
      if (!room) continue;
      const share = across ? room.share.right : room.share.bottom;
      const beside = on.groups.filter((o) => {
        const other = sharesOf(o);
        return (
          other?.of === room.of && Math.abs((across ? other.share.left : other.share.top) - share) < near && o !== g
        );
      });
      if (beside.length === 0) continue;
      const lying = [g, ...beside].map((o) => o.room);
      const [from, to] = across
        ? [Math.min(...lying.map((r) => r.y)), Math.max(...lying.map((r) => r.y + r.h))]
        : [Math.min(...lying.map((r) => r.x)), Math.max(...lying.map((r) => r.x + r.w))];
      const at = (across ? g.room.x + g.room.w : g.room.y + g.room.h) + gapMm / 2;
      const key = `${room.of} ${across} ${share.toFixed(6)}`;
      const known = found.get(key);
      found.set(key, {
        of: room.of,
        across,
        share,
        at,
        from: Math.min(from, known?.from ?? from),
        to: Math.max(to, known?.to ?? to),
      });
    }
  return [...found.values()];
}

/** No part becomes slimmer than this share of its region. */
const leastShare = 0.08;

/** The line moved to a place in mm; every room on either side of it follows, and the gaps stay as they are. */
export function roomSeamMoved(on: PlacedPage, seam: RoomSeam, toMm: number): Page {
  const { of, across, share: was } = seam;
  const there = on.groups.filter((g) => sharesOf(g)?.of === of);
  const begins = (g: PlacedGroup) => (across ? sharesOf(g)!.share.left : sharesOf(g)!.share.top);
  const ends = (g: PlacedGroup) => (across ? sharesOf(g)!.share.right : sharesOf(g)!.share.bottom);
  const [before, after] = [
    there.filter((g) => Math.abs(ends(g) - was) < near),
    there.filter((g) => Math.abs(begins(g) - was) < near),
  ];
  const model = before[0];
  if (!model) return on.page;
  // A share is a length of the region with one gap more: rooms end a gap before their line.
  const [start, length] = across ? [model.room.x, model.room.w] : [model.room.y, model.room.h];
  const perShare = (length + on.look.gapMm) / (ends(model) - begins(model));
  const asked = begins(model) + (toMm + on.look.gapMm / 2 - start) / perShare;
  const least = Math.max(...before.map(begins)) + leastShare;
  const most = Math.min(...after.map(ends)) - leastShare;
  if (least > most) return on.page;
  const share = Math.min(most, Math.max(least, asked));
  let page = on.page;
  for (const [groups, edge] of [
    [before, across ? "right" : "bottom"],
    [after, across ? "left" : "top"],
  ] as const)
    for (const { group } of groups) {
      const room = group.room as Share;
      page = withGroup(page, { ...group, room: { ...room, share: { ...room.share, [edge]: share } } });
    }
  return page;
}
