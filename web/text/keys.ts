/** Shortcuts of each place, as the `?` sheet lists them. */
export const keys = {
  title: "Keys of this place",
  photos: [
    ["Arrow keys", "Move along the photos"],
    ["Space", "Choose or let go the photo"],
    ["Shift + arrow keys", "Choose up to there"],
    ["Ctrl + A", "Choose all"],
    ["Escape", "Choose none"],
    ["Enter", "Open all about the photo"],
    ["P", "Spread a pile out, or gather it"],
    ["Ctrl + Z, Ctrl + Shift + Z", "Undo, do again"],
  ],
  pages: [
    ["Ctrl + Z, Ctrl + Shift + Z", "Undo, do again"],
    ["Arrow keys", "Move between tiles; move a seam that has the focus"],
    ["Space", "Choose the tile; with Ctrl, choose it as well"],
    ["Enter", "Reframe the photo in the tile"],
    ["Delete", "Empty the tile"],
    ["Escape", "Let go"],
    ["In reframing: arrow keys", "Move the photo; with Shift, further"],
    ["In reframing: + and −", "Zoom"],
  ],
  send: [["Enter", "On the button: save the file"]],
} as const;
