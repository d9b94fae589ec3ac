const chosen = { bg: "glaze.50", borderColor: "glaze.500", boxShadow: "0 0 0 1px {colors.glaze.500}" } as const;

/** How one of several cards to choose from looks: with an edge of its own, or bare on the ground. */
export const choiceLook = {
  card: {
    bg: "oat.25",
    borderColor: "oat.300",
    borderRadius: "card",
    cursor: "pointer",
    _hover: { borderColor: "oat.500" },
    _checked: chosen,
  },
  bare: {
    bg: "transparent",
    borderColor: "transparent",
    borderRadius: "card",
    cursor: "pointer",
    _hover: { bg: "oat.200" },
    _checked: chosen,
  },
} as const;
