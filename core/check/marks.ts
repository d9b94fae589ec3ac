import {
  type Dress,
  firstLight,
  isArranged,
  isLocked,
  type Look,
  type PlacedPage,
  type PlacedTile,
  treeIn,
} from "#core/document";

/**
 * What goes into the marks of findings, in the form that a page was kept in when the first marks were made: in another, all that was
 * accepted would open again.
 */

export const tileInMarks = ({
  id,
  outline,
  cornerMm,
  border,
  shadow,
  soft,
  frame,
  filling,
  tile,
}: PlacedTile): unknown => ({
  id,
  outline: { ...outline, cornerMm },
  frame,
  filling,
  edge: tile.cardBleedMm === undefined ? { border } : { border, bleedMm: tile.cardBleedMm },
  locked: isLocked(tile),
  ...(tile.opacity === undefined ? {} : { opacity: tile.opacity }),
  ...(tile.ring === undefined ? {} : { ring: tile.ring }),
  ...softnessInMarks({ shadow, soft }),
});

/** What there was not when the first marks were made goes in only where it is set. */
const softnessInMarks = ({ shadow, soft }: Pick<Dress, "shadow" | "soft">): object => ({
  ...(shadow.falls === "none" ? {} : { shadow }),
  ...(Object.values(soft).every((mm) => mm === 0) ? {} : { soft }),
});

export function lookInMarks({ shadow, soft, light, ...look }: Look): unknown {
  const lit = JSON.stringify(light) === JSON.stringify(firstLight) ? {} : { light };
  return { ...look, ...softnessInMarks({ shadow, soft }), ...lit };
}

export const pageInMarks = (on: PlacedPage): unknown => ({
  id: on.id,
  look: lookInMarks(on.look),
  tiles: on.tiles.filter(isArranged).map(tileInMarks),
  over: on.tiles.filter((t) => !isArranged(t)).map(tileInMarks),
  leaves: on.page.span,
  blank: on.page.blank,
  paced: false,
  plain: on.page.plain,
  arrangement: arrangementInMarks(on),
});

function arrangementInMarks(on: PlacedPage): unknown {
  const group = on.groups[0]?.group;
  if (!group) return null;
  const tree = treeIn(group);
  if (tree) {
    const { kind, tree: now, ...rest } = tree;
    return { kind, tree: now, first: group.first ?? now, ...rest };
  }
  if (group.arrangement.kind !== "pockets") return group.arrangement;
  const { kind, pattern, cardClearanceMm, places } = group.arrangement;
  return { kind, pattern, lessMm: cardClearanceMm, places };
}
