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
  storyTitle: "The lock keeper’s kettle",
  story:
    "The keeper at Harrow Lock had one rule: nobody passes before tea. We learned it on our third morning, at ten to six, with mist on the water and Biscuit barking at a heron twice her size. He came out in slippers, looked at our name, looked at our ropes, and went in again. A minute later the kettle sang.\n" +
    "Grandmother was first off the boat. She had a theory that you learn more about a river from one person who lives beside it than from any number of maps, and she carried biscuits in her coat for such occasions. By the second cup we knew where the eels lay, which bridge would take our chimney if we let it, and why one must never moor beneath a willow in May.\n" +
    "When at last the gates swung open it was past eight. The sun had come through, and all nine boats that had queued behind us were tied up in a row, their people sitting on the grass with his mugs in their hands. “He does it on purpose,” said Grandmother, waving until he was as small as a thimble. “Nobody who has had tea together pushes at a lock.” We have kept the rule ever since.",
  greetingTitle: "To all of you, from the river",
  greetingFar: "إلى العمة سميرة: مكانك محفوظ على القارب",
  greetingCard:
    "Dear Samira, there is a bunk, a lamp and a blue blanket with your name on it. Come in May, when the swans are cross and the evenings are long. Bring the good coffee.",
  notes: {
    people: ["Samira", "Uncle Otto"],
    first: "Could we see more of the dog? She did most of the work.",
    firstAnswer: "She has a page of her own further on.",
    second: "I think this was in April, not in May.",
    whole: "I laughed at every lock. Print it!",
  },
  palette: ["#17606a", "#c8a15a", "#8a3f2b", "#5b7553"],
};
