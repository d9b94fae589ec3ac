import type { Paper } from "#core/artwork";
import type { Colour } from "#core/colour";
import type { Change, Filling, PlacedPage, PlacedTile } from "#core/document";
import { inTone } from "./tone.ts";

/**
 * Tiles that look like another: its outline, corners, border, shadow, soft edges and strength; photos its tone, words its letters and card,
 * papers how it lies and its inks, ornaments its inks. What is in them stays, and so does a
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
  if (from.kind === "paper" && to.kind === "paper") return { ...to, paper: laidLike(from.paper, to.paper) };
  if (from.kind === "ornament" && to.kind === "ornament") {
    const { ownColours: _, ...ornament } = to.ornament;
    const own = from.ornament.ownColours ? { ownColours: true as const } : {};
    return { ...to, ornament: { ...ornament, colours: inked(from.ornament.colours, to.ornament.colours), ...own } };
  }
  if (from.kind !== "words" || to.kind !== "words") return to;
  return { ...to, style: { ...from.style, turn: to.style.turn }, card: from.card };
}

/** A paper of its own design, lying as another does and in that one's inks. */
function laidLike({ design: _, colours, ...lies }: Paper, to: Paper): Paper {
  return { ...lies, design: to.design, colours: inked(colours, to.colours) };
}

/** As many inks as there were, those that the other has before those of its own. */
const inked = (from: readonly Colour[], to: readonly Colour[]): readonly Colour[] => to.map((c, i) => from[i] ?? c);
