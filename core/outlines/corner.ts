export const cornerCuts = ["round", "bevel", "scoop"] as const;

/** What is done to a corner, and how far along its sides. */
export interface Corner {
  readonly cut: (typeof cornerCuts)[number];
  readonly mm: number;
}
