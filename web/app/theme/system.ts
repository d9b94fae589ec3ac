import { createSystem, defaultBaseConfig, defineConfig } from "@chakra-ui/react";
import { buttonRecipe } from "./button.ts";
import { recipes, slotRecipes } from "./recipes.ts";
import { animationStyles, keyframes, layerStyles, scales, textStyles } from "./scales.ts";
import { tooltipRecipe } from "./slots.ts";

const hex = (value: string) => ({ value });

/** A table by a window: oat and linen to work on, ink for words, clay for the one thing to do next, glaze for what is held. */
const colors = {
  oat: {
    25: hex("#fdfbf7"),
    50: hex("#faf6ef"),
    100: hex("#f4efe6"),
    200: hex("#e9e2d5"),
    300: hex("#dad1c0"),
    400: hex("#b9ad98"),
    500: hex("#8c8270"),
  },
  ink: { 500: hex("#5a655f"), 700: hex("#38443e"), 900: hex("#1b2521") },
  clay: { 100: hex("#f5dfd3"), 500: hex("#b2472a"), 600: hex("#963a20"), 700: hex("#7b2f1a") },
  glaze: { 50: hex("#e6f1f1"), 100: hex("#cfe5e5"), 500: hex("#17757e"), 600: hex("#0f5f67"), 700: hex("#0b4a50") },
  saffron: { 100: hex("#f8eaca"), 400: hex("#dca42c"), 700: hex("#7a5104") },
  moss: { 100: hex("#e1ead4"), 400: hex("#7f9c56"), 700: hex("#425c2a") },
  white: hex("#ffffff"),
  black: hex("#000000"),
  blackAlpha: { 500: hex("rgba(0, 0, 0, 0.36)") },
  mat: { light: hex("#e3dccf"), grey: hex("#8b8a86"), dark: hex("#2a2d2c") },
} as const;

const semantic = (value: string) => ({ value: `{colors.${value}}` });

/** What the library's own recipes colour themselves by. */
const palette = (solid: string, contrast: string) => ({
  contrast: semantic(contrast),
  solid: semantic(solid),
  fg: semantic("ink.900"),
  subtle: semantic("oat.200"),
  muted: semantic("oat.300"),
  emphasized: semantic("oat.400"),
  border: semantic("oat.300"),
  focusRing: semantic("glaze.500"),
});

const theme = defineConfig({
  preflight: true,
  cssVarsPrefix: "chakra",
  cssVarsRoot: ":where(:root)",
  globalCss: {
    html: { color: "fg", bg: "bg", colorPalette: "gray" },
    "*": { borderColor: "border" },
    "*::placeholder, *[data-placeholder]": { color: "ink.500" },
    "html, body, #root": { height: "100%" },
    body: {
      bg: "oat.100",
      color: "ink.900",
      fontFamily: "body",
      fontSize: "15px",
      lineHeight: "1.45",
      fontFeatureSettings: '"kern", "liga"',
      overflow: "hidden",
    },
    "h1, h2, h3": { fontFamily: "heading", fontVariationSettings: '"SOFT" 100, "WONK" 0', letterSpacing: "-0.01em" },
    "*:focus-visible": { outline: "2px solid {colors.glaze.500}", outlineOffset: "2px" },
    "::selection": { bg: "glaze.100" },
    "*, *::before, *::after": {
      _motionReduce: { animationDuration: "0.01ms !important", transitionDuration: "0.01ms !important" },
    },
  },
  theme: {
    breakpoints: {},
    keyframes,
    textStyles,
    layerStyles,
    animationStyles,
    tokens: {
      ...scales,
      colors,
      fonts: {
        body: { value: '"Source Sans 3 Variable", sans-serif' },
        heading: { value: '"Fraunces Variable", serif' },
      },
      radii: { ...scales.radii, soft: { value: "7px" }, card: { value: "12px" }, thumb: { value: "4px" } },
      shadows: {
        xs: { value: "0 1px 2px rgba(43,35,22,.14)" },
        sm: { value: "0 1px 2px rgba(43,35,22,.12), 0 1px 4px rgba(43,35,22,.12)" },
        lg: { value: "0 8px 16px rgba(43,35,22,.16)" },
        inset: { value: "inset 0 0 0 1px rgba(43,35,22,.08)" },
        paper: { value: "0 1px 2px rgba(43,35,22,.18), 0 10px 34px rgba(43,35,22,.2)" },
        card: { value: "0 1px 2px rgba(43,35,22,.10), 0 3px 12px rgba(43,35,22,.07)" },
        lifted: { value: "0 3px 8px rgba(43,35,22,.22), 0 14px 34px rgba(43,35,22,.22)" },
      },
    },
    semanticTokens: {
      colors: {
        bg: {
          DEFAULT: semantic("oat.100"),
          panel: semantic("oat.25"),
          subtle: semantic("oat.200"),
          muted: semantic("oat.200"),
          emphasized: semantic("oat.300"),
          error: semantic("clay.100"),
        },
        fg: {
          DEFAULT: semantic("ink.900"),
          muted: semantic("ink.700"),
          subtle: semantic("ink.500"),
          inverted: semantic("oat.50"),
          error: semantic("clay.600"),
        },
        border: {
          DEFAULT: semantic("oat.300"),
          muted: semantic("oat.200"),
          emphasized: semantic("oat.400"),
          error: semantic("clay.500"),
        },
        gray: palette("glaze.500", "oat.25"),
        red: palette("clay.600", "oat.25"),
      },
    },
    recipes,
    slotRecipes,
  },
});

/** Where our components look otherwise than the library's. */
const ours = defineConfig({
  // A rule that comes in a cascade layer makes the browser look up every font again, and lay out the whole page.
  disableLayers: true,
  theme: {
    recipes: { button: buttonRecipe },
    slotRecipes: { tooltip: tooltipRecipe },
  },
});

export const system = createSystem(defaultBaseConfig, theme, ours);
