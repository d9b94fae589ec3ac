import { defineSlotRecipe } from "@chakra-ui/react";
import { tooltipAnatomy } from "@chakra-ui/react/anatomy";

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
