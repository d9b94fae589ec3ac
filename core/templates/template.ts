import type { Template } from "./schema/template.ts";

export type { Place, Template } from "./schema/template.ts";

/** How many photos a template takes. */
export const photoPlaces = (t: Template): number => t.places.filter((p) => p.holds.kind === "photo").length;

export type PageShape = "upright" | "sideways" | "square" | "panorama";
export const pageShapes: readonly PageShape[] = ["upright", "square", "sideways", "panorama"];

export function shapeOf({ widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number }): PageShape {
  const aspect = widthMm / heightMm;
  if (aspect < 0.95) return "upright";
  if (aspect < 1.06) return "square";
  return aspect < 1.75 ? "sideways" : "panorama";
}
