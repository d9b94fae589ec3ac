import { defineRecipe } from "@chakra-ui/react";

/** `solid` is the one thing to do next on a screen; everything else is `outline` or `ghost`. */
export const buttonRecipe = defineRecipe({
  base: {
    borderRadius: "soft",
    fontWeight: "600",
    fontFamily: "body",
    gap: "2",
    transitionProperty: "background, border-color, color",
    transitionDuration: "120ms",
    _focusVisible: { outline: "2px solid {colors.glaze.500}", outlineOffset: "2px" },
    _disabled: { opacity: 1, cursor: "not-allowed" },
  },
  variants: {
    variant: {
      solid: {
        bg: "clay.500",
        color: "oat.25",
        borderColor: "transparent",
        _hover: { bg: "clay.600" },
        _active: { bg: "clay.700" },
        _disabled: { bg: "oat.300", color: "ink.500", _hover: { bg: "oat.300" } },
      },
      outline: {
        bg: "oat.25",
        color: "ink.900",
        borderWidth: "1px",
        borderColor: "oat.400",
        _hover: { bg: "oat.200", borderColor: "oat.500" },
        _expanded: { bg: "oat.200" },
        _disabled: { bg: "transparent", color: "oat.500", borderColor: "oat.300", _hover: { bg: "transparent" } },
      },
      ghost: {
        bg: "transparent",
        color: "ink.700",
        _hover: { bg: "oat.200", color: "ink.900" },
        _expanded: { bg: "oat.200" },
        _disabled: { color: "oat.400", _hover: { bg: "transparent", color: "oat.400" } },
      },
    },
    size: {
      sm: { h: "8", minW: "8", px: "3", textStyle: "sm", fontSize: "14px" },
      md: { h: "10", minW: "10", px: "4", fontSize: "15px" },
      lg: { h: "12", minW: "12", px: "6", fontSize: "17px" },
    },
  },
});
