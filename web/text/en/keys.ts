/** What keys are called. */
export const keys = {
  /** Between the keys of a combination. */
  and: " + ",
  names: {
    Mod: "Ctrl",
    ModOnMac: "Cmd",
    Arrows: "Arrow keys",
    Sideways: "Left and right",
    Upright: "Up and down",
    ArrowLeft: "Left",
    ArrowRight: "Right",
    ArrowUp: "Up",
    ArrowDown: "Down",
    PageUp: "Page up",
    PageDown: "Page down",
    "-": "−",
  },
  hint: (what: string, pressed: string) => `${what} (${pressed})`,
};
