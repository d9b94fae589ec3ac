/** What a tile wears, and the light that falls on it, where nobody has said anything. */

export const noBorder = { widthMm: 0, colour: "#ffffff" } as const;
export const noShadow = { falls: "none", strength: 0.35, colour: "#2a221c" } as const;
export const noSoft = { top: 0, right: 0, bottom: 0, left: 0 } as const;
/** From the top left, half way up. */
export const firstLight = { fromDeg: 315, heightDeg: 45 } as const;
