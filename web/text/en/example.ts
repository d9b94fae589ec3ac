/** The works that are made from the sample photos. Everybody in them is made up. */
export const example = {
  make: "Make an example book and pocket pages",
  making: "Making the examples",
  made: "A book of 40 pages, a set of pocket pages and a collage are among your projects.",
  lead: "From the sample photos, by the same means that you have.",
  bookName: "Our year on the Marigold",
  bookLead: "Locks, moorings, herons, and an engine that would not start.",
  collageName: "Walls, tables and windows",
  collageSize: "30 cm square",
  collageLetters: "BOAT",
  collageWord: "Afloat",
  fadedTitle: "Up with the mist, down with the sun",
  pocketsName: "The kitchen drawer",
  card: "We moved aboard on a Saturday, with two suitcases, a kettle and the dog. Biscuit found the warm place by the stove before we had found the light switch.",
  palette: ["#17606a", "#c8a15a", "#8a3f2b", "#5b7553"],
};
