import type { DrawnShapes } from "#core/drawings";

type LeftOut = DrawnShapes["leftOut"];

const parts = ({ open, words, pictures, broken }: LeftOut): string[] =>
  [
    [open, "open line", "open lines"],
    [words, "piece of text", "pieces of text"],
    [pictures, "picture", "pictures"],
    [broken, "shape that cannot be read or has no area", "shapes that cannot be read or have no area"],
  ].flatMap(([n, one, many]) => (n === 0 ? [] : [`${n} ${n === 1 ? one : many}`]));

export const drawings = {
  take: "From an SVG or OpenRaster file …",
  taken: (n: number) => (n === 1 ? "1 shape is on the page." : `${n} shapes are on the page.`),
  leftOut: (left: LeftOut) => {
    const all = parts(left);
    return all.length === 0 ? "" : `Left out: ${all.join(", ")}.`;
  },
  none: (name: string, left: LeftOut) => {
    const all = parts(left);
    const what = all.length === 0 ? "" : ` It has ${all.join(", ")}.`;
    return `${name} has no closed shape that could become a tile.${what}${left.words > 0 ? " Turn text into paths where the drawing was made." : ""}`;
  },
  tooMany: (n: number, most: number) => `That drawing has ${n} shapes. A page holds ${most} tiles at most.`,
  tookPages: (n: number) =>
    n === 1
      ? "The page from that drawing is here, after the one that was open."
      : `The ${n} pages from that drawing are here, after the one that was open.`,
  photosMissing: (n: number) =>
    n === 1
      ? "1 of its photos is not in your library, nor in the file."
      : `${n} of its photos are not in your library, nor in the file.`,
  tookLayers: (n: number) => (n === 1 ? "1 layer is on the page." : `${n} layers are on the page.`),
  layersLeft: (n: number) =>
    n === 1
      ? "Left out: 1 layer whose picture is missing or damaged."
      : `Left out: ${n} layers whose pictures are missing or damaged.`,
  noLayers: (name: string) => `${name} is no OpenRaster picture whose layers can be read. It was left alone.`,
  tooManyLayers: (n: number, most: number) => `That picture has ${n} layers. A page holds ${most} tiles at most.`,
  trouble: {
    svgTooLarge: "That file is larger than 8 MB. It was left alone.",
    svgTooHeavy: "That drawing has too many parts to be read safely. It was left alone.",
    svgDamaged: "That file is no SVG drawing that can be read.",
  },
};
