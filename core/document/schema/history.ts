import { z } from "zod";
import { type Step, stepCodes } from "../changes/history.ts";
import { changeSchemas, isChange } from "./changes.ts";

const change = z.object({ type: z.enum(Object.keys(changeSchemas) as [string, ...string[]]) });

/** A step as storage hands it back; what its changes say is looked at when they are about to be done (`isSound`). */
const stepSchema = z.object({
  name: z.object({ code: z.enum(stepCodes), count: z.number() }),
  changes: z.array(change),
  inverses: z.array(change),
  at: z.string(),
  mergeKey: z.string().optional(),
});

export interface KeptHistory {
  readonly steps: readonly Step[];
  readonly done: number;
  /** How many of those that were kept stand before the first of `steps`. */
  readonly from: number;
  /** Whether there were others that cannot be read. */
  readonly cut: boolean;
}

/**
 * A history as far as it can be read on both sides of where the project stands: back to the first step that makes no sense, and
 * forward to the first. The project itself needs none of it.
 */
export function readHistory(kept: readonly unknown[], done: number): KeptHistory {
  const good = kept.map((step) => stepSchema.safeParse(step).success);
  const at = Math.min(Math.max(0, done), kept.length);
  const from = good.lastIndexOf(false, at - 1) + 1;
  const bad = good.indexOf(false, at);
  const to = bad < 0 ? kept.length : bad;
  const begin = at === 0 ? 0 : from;
  return {
    steps: kept.slice(begin, to) as readonly Step[],
    done: at - begin,
    from: begin,
    cut: begin > 0 || to < kept.length,
  };
}

/** Whether all that a step would do, or take back, is what this program could have made. */
export const isSound = (changes: readonly unknown[]): boolean => changes.every(isChange);
