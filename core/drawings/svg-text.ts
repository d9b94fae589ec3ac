import type { PathData } from "#core/geometry";

/** Parts of an SVG file as text. */

/** Words inside an element or an attribute. */
export const escaped = (text: string): string =>
  text
    // Letters that XML 1.0 does not have.
    // biome-ignore lint/suspicious/noControlCharactersInRegex: just those are taken out
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, "")
    .replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** A path as the `d` of an element. */
export const pathText = (path: PathData, write: (v: number) => string): string =>
  path
    .map((s) => {
      const [letter, ...values] = s as readonly [string, ...number[]];
      return letter === "Z" ? "z" : `${letter}${values.map(write).join(" ")}`;
    })
    .join("");

/** Says of an element which tile it is. */
export const tileAttribute = "data-tessip-tile";
/** A tile by this name is what lies behind all tiles. */
export const groundTile = "ground";
/** Marks the unseen path in a tile's group that is the tile's own line. */
export const lineAttribute = "data-tessip-line";
/** Says of a picture which photo it is. */
export const photoAttribute = "data-tessip-photo";
