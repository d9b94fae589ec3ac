import { mapLeaves } from "#core/arrange";
import {
  copiedPieces,
  type DrawnLook,
  type Filling,
  type Group,
  isGroup,
  type Look,
  type Piece,
  type PlacedGroup,
  type PlacedPage,
  photoIdOf,
  plainTree,
  type Tile,
  treeIn,
  treeOfGroup,
} from "#core/document";
import type { Template } from "./template.ts";

export interface SaveTask {
  readonly id: string;
  readonly name: string;
  readonly family: string;
  /** Tiles in the order in which they are to take photos; the others come after, as they are read. */
  readonly numbered: readonly string[];
  /** Tiles that are to stay bare. */
  readonly skipped: ReadonlySet<string>;
  /** Tiles that are left over first where photos are few. */
  readonly spare?: ReadonlySet<string>;
  /** Only what is chosen: free tiles by their ids, groups by any of their tiles. All of the page where it is missing. */
  readonly only?: ReadonlySet<string>;
  /** Papers stay in their tiles; photos leave places. */
  readonly isPaper?: (photoId: string) => boolean;
}

/** A page to begin others from, with places for its photos and words; undefined where nothing on it can be used so. */
export function templateOfPage(on: PlacedPage, task: SaveTask): Template | undefined {
  const { format, page } = on;
  const wanted = (p: Piece) =>
    !task.only || (isGroup(p) ? p.tiles.some((t) => task.only?.has(t.id)) : task.only.has(p.id));
  const pieces = page.pieces.flatMap((p): Piece[] => {
    if (p.hidden || !wanted(p)) return [];
    if (!isGroup(p)) return [placeOf(p, task)];
    const at = on.groups.find((g) => g.group.id === p.id);
    const group = at && plainGroup(at);
    return group ? [{ ...group, tiles: group.tiles.map((t) => placeOf(t, task)) }] : [];
  });
  if (pieces.length === 0) return undefined;
  let n = 0;
  const own = copiedPieces(pieces, () => {
    n += 1;
    return `p${n}`;
  });
  return {
    id: task.id,
    name: task.name,
    family: task.family,
    page: { widthMm: format.widthMm, heightMm: format.heightMm },
    look: drawnOf(on.look),
    pieces: own,
    ...(page.scatter ? { scatter: page.scatter } : {}),
  };
}

/** As straight cuts where they make it; a pocket page is none that others can begin from. In a part of a spread it becomes a part of the whole. */
function plainGroup(at: PlacedGroup): Group | undefined {
  const { first: _, ...group } = at.group;
  const room =
    group.room.of === "page" ? group.room : { kind: "rectangle" as const, of: "page" as const, rect: at.room };
  if (group.arrangement.kind === "tiling") return { ...group, room };
  const tree = group.arrangement.kind === "pockets" ? undefined : treeOfGroup(at);
  if (!tree) return undefined;
  const arrangement = { ...plainTree(mapLeaves(tree, (l) => l)), loose: treeIn(group)?.loose ?? false };
  return { ...group, room, arrangement };
}

/** A tile with a place for what was in it, and nothing of the page that it was on. */
function placeOf<T extends Tile>(tile: T, task: SaveTask): T {
  const { through: _, lock: __, name: ___, cardBleedMm: ____, ...own } = tile;
  const { byTemplate: _____, ...plain } = { byTemplate: undefined, ...own };
  return { ...plain, filling: waiting(tile, task) } as unknown as T;
}

function waiting({ id, filling }: Tile, task: SaveTask): Filling {
  const bare: Filling = { kind: "empty", waits: { for: "nothing" } };
  if (task.skipped.has(id)) return bare;
  if (["colour", "paper", "ornament"].includes(filling.kind)) return filling;
  if (filling.kind === "words") {
    const { text, role, style } = filling;
    return { kind: "empty", waits: { for: "words", sample: text.slice(0, 2000), role, style } };
  }
  const photoId = photoIdOf({ filling });
  if (photoId !== undefined && task.isPaper?.(photoId)) return filling;
  if (filling.kind === "empty" && filling.waits && filling.waits.for !== "photo") return filling;
  const number = task.numbered.indexOf(id) + 1;
  const spare = task.spare?.has(id) ? ({ spare: true } as const) : {};
  return { kind: "empty", waits: { for: "photo", ...(number > 0 ? { number } : {}), ...spare } };
}

/** What of a look belongs to a template: a photo behind the page does not. */
const drawnOf = ({ backdrop: _, ...drawn }: Look): DrawnLook => drawn;
