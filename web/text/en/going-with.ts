import type { GroundReason } from "#core/artwork";
import type { ColourName, HueName, ShadeName } from "#core/colour";

/** What goes with a page, and why. */

const hues: Record<HueName, string> = {
  pink: "pink",
  red: "red",
  orange: "orange",
  ochre: "ochre",
  yellow: "yellow",
  green: "green",
  seaGreen: "sea green",
  teal: "teal",
  blue: "blue",
  violet: "violet",
  purple: "purple",
  grey: "grey",
  white: "white",
  black: "black",
};
const shades: Record<ShadeName, string> = {
  pale: "pale ",
  light: "light ",
  plain: "",
  deep: "deep ",
  dark: "dark ",
  dusty: "dusty ",
};

export const goingWith = {
  title: "What goes with this page",
  nothing: "Put a photo on the page, and here is what goes with it.",
  colours: "Colours",
  papers: "Papers",
  colourName: ({ shade, hue }: ColourName): string => `${shades[shade]}${hues[hue]}`,
  where: (photo: string, page: number | undefined): string =>
    `${photo ? `“${photo}”` : "a photo"}${page === undefined ? "" : ` on page ${page}`}`,
  ofGround: (reason: GroundReason, colour: string, where: string): string =>
    ({
      quiet: `Quiet: only a breath of the ${colour} in ${where}`,
      takenUp: `Close to the ${colour} in ${where}`,
      deep: `The ${colour} in ${where}, made dark, so that photos shine`,
      opposite: `Opposite to the ${colour} in ${where}, and soft`,
    })[reason],
  papersWhy: "As lively as these photos bear.",
  ofPaper: (name: string, colour: string, where: string): string => `${name}, with the ${colour} in ${where}`,
};
