import type { PdfNames } from "./pdf-content.ts";
import type { SvgSupply } from "./svg-page.ts";

/** A painter that has no photos, fonts or masks at hand. */
export const bareSupply: SvgSupply = {
  photo: () => undefined,
  face: () => undefined,
  shade: () => undefined,
  mask: () => undefined,
};

export const bareNames: PdfNames = {
  photo: () => undefined,
  glyph: () => undefined,
  alpha: (value) => `A${value}`,
  form: () => "F1",
  group: () => "G1",
  shade: () => "S1",
  soft: () => "M1",
};
