import type { Lean } from "#core/edit";

/** How a page weighs, and accents. */
export const balance = {
  title: "Balance",
  leans: ({ across, down }: Lean): string => {
    if (!across && !down) return "The page is in balance.";
    return `What draws the eye lies more towards the ${[down, across].filter(Boolean).join(" ")}.`;
  },
  help: "Shaded is what is dark, strong in colour or patterned. The dot is where all of it balances; the dashed ring is the middle of the page.",
  accent: "Accent",
  takesUp: (colour: string, where: string): string => `Takes up the ${colour} in ${where}.`,
  layAt: (n: number): string => `Lay it at ${n}`,
  layAll: "Lay all three",
  noRoom: (n: number): string =>
    n === 0
      ? "There is no place for an accent that is off all faces and words."
      : "There is no room for three that are off all faces and words.",
};
