/** What tiles wear: borders, soft edges, shadows. */

const winds = [
  "the top",
  "the top right",
  "the right",
  "the bottom right",
  "the bottom",
  "the bottom left",
  "the left",
  "the top left",
];

export const dress = {
  borderLies: "Where the border lies",
  borderPlaces: { inside: "Inside", across: "On the line", outside: "Outside" },
  second: "A second line inside",
  secondWidth: "Line",
  secondGap: "Apart by",
  secondColour: "Colour of the second line",
  soft: "Soft edge",
  softSides: {
    left: "Soft at the left",
    right: "Soft at the right",
    top: "Soft at the top",
    bottom: "Soft at the bottom",
  },
  softApart: "Each side by itself",
  softAlike: "All sides alike",
  asPage: "Edges and shadow as the page has them",
  shadow: "Shadow",
  shadowSoft: "Shadow and soft edges",
  shadowSoftOpacity: "Shadow, soft edge, opacity",
  falls: { none: "None", under: "Under it", inside: "Inside it" },
  strength: "Strength",
  lift: "Height",
  byOrder: "as it lies",
  byHand: "Set it by hand",
  moved: { x: "To the right", y: "Down" },
  blur: "Blur",
  shadowColour: "Colour of the shadow",
  light: "Light of the whole work",
  lightFrom: (fromDeg: number, heightDeg: number) =>
    `from ${winds[Math.round(fromDeg / 45) % 8]}, ${heightDeg > 65 ? "high" : heightDeg > 35 ? "half way up" : "low"}`,
  lightRound: "Where the light comes from",
  lightHeight: "How high the light stands",
  firstLight: "Light from the top left again",
  share: (v: number) => `${Math.round(100 * v)} %`,
};
