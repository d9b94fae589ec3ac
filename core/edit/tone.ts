import {
  allTiles,
  type Change,
  type Page,
  type PlacedPage,
  type PlacedTile,
  showsPart,
  type View,
} from "#core/document";
import { type Tone, tidyTone } from "#core/tone";

/** A view with another tone, or none. */
export function inTone({ tone: _, ...view }: View, tone: Tone | undefined): View {
  const tidy = tone && tidyTone(tone);
  return tidy ? { ...view, tone: tidy } : view;
}

/** The photos in these tiles in the tone that `toneOf` gives each. */
export const tonesChange = (
  page: Page,
  tileIds: readonly string[],
  toneOf: (view: View, tileId: string) => Tone | undefined,
): Change => viewsChange(page, tileIds, (view, id) => inTone(view, toneOf(view, id)));

/** What is done to the photos in these tiles; other tiles stay. A photo that runs through several tiles is the same in all of them. */
export function viewsChange(
  page: Page,
  tileIds: readonly string[],
  viewOf: (view: View, tileId: string) => View,
): Change {
  const chosen = new Set(tileIds);
  const runs = new Map(
    allTiles(page).flatMap((t) =>
      t.through && chosen.has(t.id) && showsPart(t)
        ? [[t.through.id, { id: t.id, view: t.through.view }] as const]
        : [],
    ),
  );
  return {
    type: "setTiles",
    pageId: page.id,
    items: allTiles(page).flatMap((tile): Items => {
      const { id, filling, through } = tile;
      const run = through && runs.get(through.id);
      const part = run && { ...through, view: viewOf(through.view, run.id) };
      // Of a tile that holds something else meanwhile, what it gives back has the tone.
      if (part && !chosen.has(id) && !showsPart(tile)) return [{ id, set: { through: part } }];
      if (part && showsPart(tile)) return [{ id, set: { filling: { kind: "photo", view: part.view }, through: part } }];
      if (!chosen.has(id) || filling.kind !== "photo") return [];
      const view = viewOf(filling.view, id);
      return [{ id, set: { filling: { ...filling, view }, ...(part ? { through: part } : {}) } }];
    }),
  };
}

type Items = Extract<Change, { type: "setTiles" }>["items"];

const mostNeighbours = 4;

/** The photos that lie nearest to a tile, none of `without` among them. */
export function photosBeside(
  { tiles }: PlacedPage,
  tile: PlacedTile,
  without: readonly string[],
): readonly PlacedTile[] {
  const from = tile.frame.centre;
  const far = ({ frame: { centre } }: PlacedTile) => Math.hypot(centre.x - from.x, centre.y - from.y);
  return tiles
    .filter((t) => t.filling.kind === "photo" && t.id !== tile.id && !without.includes(t.id))
    .sort((a, b) => far(a) - far(b))
    .slice(0, mostNeighbours);
}
