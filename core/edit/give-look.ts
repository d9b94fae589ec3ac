import type { Change, Filling, PlacedPage, PlacedTile } from "#core/document";
import { inTone } from "./tone.ts";

/**
 * Tiles that look like another: its outline, corners, border, shadow, soft edges and strength; photos its tone, words its letters and card. What is in them stays, and so does a
 * shape that an arrangement gives them.
 */
export function lookGiven(on: PlacedPage, fromId: string, toIds: readonly string[]): Change {
  const from = on.tiles.find((t) => t.id === fromId);
  const to = on.tiles.filter((t) => from && t.id !== fromId && toIds.includes(t.id));
  const { opacity } = from?.tile ?? {};
  return {
    type: "setTiles",
    pageId: on.page.id,
    items: to.map((tile) => ({
      id: tile.id,
      set: {
        cornerMm: from!.cornerMm,
        border: from!.border,
        shadow: from!.shadow,
        soft: from!.soft,
        filling: dressed(from!.filling, tile.filling),
        ...(from!.shaped || tile.shaped ? {} : { outline: from!.outline }),
        ...(opacity === undefined ? {} : { opacity }),
      },
      ...(opacity === undefined ? { unset: ["opacity"] } : {}),
    })),
  };
}

function dressed(from: PlacedTile["filling"], to: Filling): Filling {
  if (from.kind === "photo" && to.kind === "photo") return { ...to, view: inTone(to.view, from.view.tone) };
  if (from.kind !== "words" || to.kind !== "words") return to;
  return { ...to, style: { ...from.style, turn: to.style.turn }, card: from.card };
}
