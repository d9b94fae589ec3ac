import { inheritsDress } from "../fillings/index.ts";
import type { Group, Look, OwnLook, Page, Tile } from "./page.ts";
import { noBorder, noShadow, noSoft } from "./plain-dress.ts";

/**
 * What a page, a group or a tile does not say is inherited: tile, group, page, the work's style. It is resolved here and nowhere else. The light
 * is one for the work, so that all shadows fall the same way.
 */

export const lookFields = {
  gapMm: true,
  margin: true,
  cornerMm: true,
  border: true,
  shadow: true,
  soft: true,
  background: true,
  paper: true,
  whiteBorder: true,
  backdrop: true,
} as const satisfies { readonly [K in keyof OwnLook]-?: true };
export const lookKeys = Object.keys(lookFields) as readonly (keyof OwnLook)[];

const looks = new WeakMap<Page, WeakMap<Look, Look>>();

/** The look of a page with nothing left to be inherited; the same object for the same page and style. */
export function lookOf(page: Page, style: Look): Look {
  const byStyle = looks.get(page) ?? new WeakMap<Look, Look>();
  looks.set(page, byStyle);
  const known = byStyle.get(style);
  if (known) return known;
  const look = lookKeys.some((k) => page[k] !== undefined) ? { ...style, ...saidBy(page) } : style;
  byStyle.set(style, look);
  return look;
}

/** What a page says of its look itself. */
export function saidBy(page: OwnLook): OwnLook {
  return Object.fromEntries(lookKeys.filter((k) => page[k] !== undefined).map((k) => [k, page[k]]));
}

const same = (a: unknown = null, b: unknown = null): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** What a page has to say itself so that it looks so in a work of this style; `null` where it has none of what the style has. */
export const ownLookFor = (look: Look, style: Look): OwnLook =>
  Object.fromEntries(lookKeys.filter((k) => !same(look[k], style[k])).map((k) => [k, look[k] ?? null]));

/** The page looking so; what is as in the work's style is left unsaid. */
export function withLook(page: Page, look: Look, style: Look): Page {
  const bare = Object.fromEntries(Object.entries(page).filter(([k]) => !(k in lookFields))) as unknown as Page;
  return { ...bare, ...ownLookFor(look, style) };
}

/** What a tile wears itself. */
export type Dress = Pick<Look, "cornerMm" | "border" | "shadow" | "soft">;
export const noDress: Dress = { cornerMm: 0, border: noBorder, shadow: noShadow, soft: noSoft };

/** What does not inherit its dress, as words do not, wears none unless it says so. */
export function dressOf(tile: Tile, group: Group | undefined, look: Look): Dress {
  const [between, above] = inheritsDress(tile.filling) ? [group, look] : [undefined, noDress];
  return {
    cornerMm: tile.cornerMm ?? between?.cornerMm ?? above.cornerMm,
    border: tile.border ?? between?.border ?? above.border,
    shadow: tile.shadow ?? between?.shadow ?? above.shadow,
    soft: tile.soft ?? between?.soft ?? above.soft,
  };
}
