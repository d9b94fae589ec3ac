import { labCardSchema } from "#core/lab/schema";
import type { Want } from "./plan.ts";

/** A lab of prints whose machine loses 1.5 mm at each edge. */
export const printLab = labCardSchema.parse({
  schema: 1,
  id: "a-lab",
  name: "A lab",
  kind: "prints",
  unit: "in",
  about: "",
  bleedMm: 0,
  lossMm: 1.5,
  safeMm: 3,
  ppi: { wanted: 300, least: 150 },
  file: { kind: "jpeg", quality: 0.9, name: "{page}" },
  sizes: [
    { id: "4x6", name: "4 × 6 in", widthMm: 101.6, heightMm: 152.4, turns: true, price: 0.2 },
    { id: "8x10", name: "8 × 10 in", widthMm: 203.2, heightMm: 254, turns: true, price: 2 },
  ],
});

export const prints = { kind: "lab", card: printLab, sizeIds: ["4x6"] } as const;
export const printer = { kind: "printer", widthMm: 210, heightMm: 297, marginMm: 4, price: 0, ppi: 300 } as const;

export const want = (id: string, widthMm: number, heightMm: number, more: Partial<Want> = {}): Want => ({
  id,
  source: { from: "photo", photoId: id },
  widthMm,
  heightMm,
  count: 1,
  bleedMm: 0,
  spareMm: 0,
  borderMm: 0,
  cornerMm: 0,
  turns: true,
  fills: false,
  ...more,
});
