import { exactFit, treeRects } from "#core/arrange";

interface Asked {
  readonly page: { readonly width: number; readonly height: number; readonly margin: number };
  readonly gap: number;
  readonly photos: readonly { readonly id: string; readonly aspect: number; readonly weight: number }[];
  readonly seed: number;
}

/** The exact fit as the layout kit asks for it: every photo's rectangle on the page, in mm. */
export function layout({ page, gap, photos, seed }: Asked) {
  const room = { x: page.margin, y: page.margin, w: page.width - 2 * page.margin, h: page.height - 2 * page.margin };
  const tree = exactFit({ photos: photos.map((p) => ({ ...p, tileId: p.id })), room, gap, seed });
  return [...treeRects(tree, room, gap)].map(([id, r]) => ({ id, ...r }));
}
