import { defineSlotRecipe } from "@chakra-ui/react";
import { dialogAnatomy, sliderAnatomy, tooltipAnatomy } from "@chakra-ui/react/anatomy";

/** A thread with a bead on it. */
export const sliderRecipe = defineSlotRecipe({
  slots: sliderAnatomy.keys(),
  base: {
    track: { bg: "oat.300", borderRadius: "full" },
    range: { bg: "glaze.500" },
    thumb: {
      bg: "oat.25",
      borderWidth: "2px",
      borderColor: "glaze.500",
      borderRadius: "full",
      boxShadow: "card",
      _focusVisible: { outline: "2px solid {colors.glaze.500}", outlineOffset: "2px" },
    },
  },
  variants: {
    size: {
      sm: {
        root: {
          "--slider-thumb-size": "18px",
          "--slider-track-size": "4px",
          "--slider-marker-center": "6px",
          "--slider-marker-size": "2px",
          "--slider-marker-inset": "3px",
        },
      },
    },
    variant: {
      outline: {
        track: { shadow: "none", bg: "oat.300" },
        range: { bg: "glaze.500" },
        thumb: { borderColor: "glaze.500" },
      },
    },
  },
});

export const dialogRecipe = defineSlotRecipe({
  slots: dialogAnatomy.keys(),
  base: {
    backdrop: { bg: "rgba(38, 33, 24, .42)" },
    content: { bg: "oat.25", borderRadius: "card", boxShadow: "lifted" },
    title: { fontFamily: "heading", fontWeight: "560", fontSize: "22px" },
  },
});

export const tooltipRecipe = defineSlotRecipe({
  slots: tooltipAnatomy.keys(),
  base: {
    content: {
      "--tooltip-bg": "colors.ink.900",
      bg: "ink.900",
      color: "oat.50",
      borderRadius: "soft",
      fontSize: "13.5px",
      fontWeight: "500",
      px: "3",
      py: "1.5",
      maxW: "280px",
      lineHeight: "1.35",
    },
  },
});
