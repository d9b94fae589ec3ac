import { z } from "zod";

/** What there was, kept apart from where it lies: tells a start that lost everything from a first one. */

const markSchema = z.object({ works: z.number(), photos: z.number(), at: z.string() });
export type Mark = z.infer<typeof markSchema>;

const name = "tessip-here";

export function readMark(): Mark | undefined {
  try {
    return markSchema.safeParse(JSON.parse(localStorage.getItem(name) ?? "null")).data;
  } catch {
    return undefined;
  }
}

/** Nothing is said where it cannot be written: it is a help, not a proof. */
export function writeMark(mark: Mark): void {
  try {
    localStorage.setItem(name, JSON.stringify(mark));
  } catch {
    // A private window, or a full disk.
  }
}

export function forgetMark(): void {
  try {
    localStorage.removeItem(name);
  } catch {
    // As above.
  }
}
