import {
  type Frame,
  type FreeTile,
  freeTiles,
  type Page,
  type PlacedPage,
  type PlacedTile,
  tileLine,
} from "#core/document";
import {
  aroundPoints,
  combinedRings,
  flattened,
  offsetRings,
  type PathSegment,
  pathInShares,
  pathOfRings,
  type Ring,
} from "#core/geometry";

/** Shapes of free tiles joined, cut out of each other, grown and shrunk. */

export type Combining = "union" | "difference" | "intersection";

/** Below this nothing is left that could be taken hold of, in mm. */
const leastMm = 1;

/** A tile's shape on the page. */
const ringsOf = (tile: PlacedTile): readonly Ring[] => flattened(tileLine(tile));

function shaped(tile: FreeTile, rings: readonly Ring[]): FreeTile | undefined {
  if (rings.length === 0) return undefined;
  const box = aroundPoints(rings.flat());
  const { x, y, w, h } = box;
  if (w < leastMm || h < leastMm) return undefined;
  const path = pathInShares(pathOfRings(rings), box);
  const frame: Frame = { centre: { x: x + w / 2, y: y + h / 2 }, width: w, height: h, turn: 0 };
  return { ...tile, cornerMm: 0, frame, outline: { kind: "path", path } };
}

/** The lowest of these free tiles in the shape that all of them make together, in place of them; the page where nothing is left of it. */
export function shapesCombined(on: PlacedPage, tileIds: readonly string[], how: Combining): Page {
  const these = on.tiles.filter((t) => tileIds.includes(t.id) && t.groupId === undefined);
  const [lowest, ...others] = these;
  const tile = freeTiles(on.page).find((t) => t.id === lowest?.id);
  if (!lowest || !tile || others.length === 0) return on.page;
  const rings = others.reduce<readonly Ring[]>((now, t) => combinedRings(now, ringsOf(t), how), ringsOf(lowest));
  const next = shaped(tile, rings);
  if (!next) return on.page;
  const gone = new Set(others.map((t) => t.id));
  return { ...on.page, pieces: on.page.pieces.flatMap((p) => (gone.has(p.id) ? [] : p.id === next.id ? [next] : [p])) };
}

/** A free tile's shape grown by so many mm, or shrunk; the page where nothing is left of it. */
export function shapeGrown(on: PlacedPage, tileId: string, byMm: number, join: "mitre" | "round"): Page {
  const placed = on.tiles.find((t) => t.id === tileId);
  const tile = freeTiles(on.page).find((t) => t.id === tileId);
  const next = placed && tile && shaped(tile, offsetRings(ringsOf(placed), byMm, join));
  return next ? { ...on.page, pieces: on.page.pieces.map((p) => (p.id === tileId ? next : p)) } : on.page;
}

/** Free tiles mirrored, each about its own middle: shape, turn and photo. */
export function tilesMirrored(page: Page, tileIds: readonly string[], way: "side" | "stack"): Page {
  const mirrored = (tile: FreeTile): FreeTile => {
    const { frame, outline, filling } = tile;
    if (filling.kind === "ornament") {
      const { flip, ...rest } = filling.ornament;
      const ornament = flip ? rest : { ...rest, flip: true as const };
      // Upside down is mirrored sideways and turned by half.
      const turn = way === "side" ? -frame.turn : 180 - frame.turn;
      return { ...tile, frame: { ...frame, turn }, filling: { kind: "ornament", ornament } };
    }
    const path = outline?.kind === "path" ? { ...outline, path: outline.path.map((s) => flipped(s, way)) } : outline;
    const view =
      filling.kind === "photo"
        ? {
            ...filling.view,
            byHand: true,
            flip: !filling.view.flip,
            turn: way === "side" ? -filling.view.turn : 180 - filling.view.turn,
          }
        : undefined;
    return {
      ...tile,
      frame: { ...frame, turn: -frame.turn },
      ...(path ? { outline: path } : {}),
      ...(view ? { filling: { kind: "photo", view } as const } : {}),
    };
  };
  return {
    ...page,
    pieces: page.pieces.map((p) => (p.kind === "tile" && tileIds.includes(p.id) ? mirrored(p) : p)),
  };
}

function flipped(s: PathSegment, way: "side" | "stack"): PathSegment {
  if (s[0] === "Z") return s;
  const [x, y] = way === "side" ? [(v: number) => 1 - v, (v: number) => v] : [(v: number) => v, (v: number) => 1 - v];
  return s[0] === "C" ? ["C", x(s[1]), y(s[2]), x(s[3]), y(s[4]), x(s[5]), y(s[6])] : [s[0], x(s[1]), y(s[2])];
}
