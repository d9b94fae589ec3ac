/** A limit that a lab may set: its bounds, from which the form, the schema and the type follow. */
export interface LabRule {
  readonly least: number;
  readonly most: number;
  readonly whole: boolean;
}

/** What a lab may ask of files beyond what every lab says of them. The check and the lab have a test for each. */
export const labRules = {
  /** Larger files are refused; in megabytes. */
  mostMb: { least: 0.001, most: 100_000, whole: false },
  /** Longer names are refused; in letters, with the ending. */
  mostNameLength: { least: 8, most: 255, whole: true },
  /** Smaller letters are refused; in points. */
  leastTypePt: { least: 1, most: 24, whole: false },
} as const satisfies Readonly<Record<string, LabRule>>;

export type LabRuleName = keyof typeof labRules;
export const labRuleNames = Object.keys(labRules) as readonly LabRuleName[];
/** One value for each rule, such as its test. */
export type ForEachLabRule<T> = { readonly [N in LabRuleName]: T };
