import { defineKeyframes, defineTokens } from "@chakra-ui/react";

/** The scales that components are measured by: only what is used, since every value is written into the page's style. */

const valued = <T>(entries: Readonly<Record<string, T>>) =>
  Object.fromEntries(Object.entries(entries).map(([name, value]) => [name, { value }]));

const steps = [0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5, 6, 7, 8, 9, 10, 11, 12, 14, 16, 20, 24, 28, 32, 40, 48, 64, 80];
const spacing = valued(Object.fromEntries(steps.map((n) => [String(n), `${n / 4}rem`])));

export const scales = defineTokens({
  spacing,
  sizes: {
    ...spacing,
    ...valued({ full: "100%", dvh: "100dvh", fit: "fit-content", max: "max-content", min: "min-content" }),
    ...valued({ xs: "20rem", sm: "24rem", md: "28rem", lg: "32rem", xl: "36rem", "2xl": "42rem" }),
  },
  fontSizes: valued({ xs: "0.75rem", sm: "0.875rem", md: "1rem", lg: "1.125rem", xl: "1.25rem", "2xl": "1.5rem" }),
  fontWeights: valued({ normal: 400, medium: 500, semibold: 600, bold: 700 }),
  radii: valued({
    none: "0",
    xs: "2px",
    sm: "4px",
    md: "6px",
    lg: "8px",
    full: "9999px",
    l1: "2px",
    l2: "4px",
    l3: "6px",
  }),
  durations: valued({ faster: "100ms", fast: "150ms", moderate: "200ms", slow: "300ms", slowest: "500ms" }),
  easings: valued({ "ease-in-smooth": "cubic-bezier(0.32, 0.72, 0, 1)" }),
  cursor: valued({
    button: "pointer",
    disabled: "not-allowed",
    switch: "pointer",
    radio: "default",
  }),
  zIndex: valued({ docked: 10, dropdown: 1000, overlay: 1300, modal: 1400, popover: 1500, toast: 1700, tooltip: 1800 }),
});

export const textStyles = Object.fromEntries(
  [
    ["xs", "1rem"],
    ["sm", "1.25rem"],
    ["md", "1.5rem"],
    ["lg", "1.75rem"],
    ["xl", "1.875rem"],
    ["2xl", "2rem"],
  ].map(([size, lineHeight]) => [size, { value: { fontSize: size, lineHeight } }]),
);

export const layerStyles = { disabled: { value: { opacity: "0.5", cursor: "not-allowed" } } };

const appearing = { "scale-fade-in": "scale-in, fade-in", "slide-fade-in": "fade-in" };
const leaving = { "scale-fade-out": "scale-out, fade-out", "slide-fade-out": "fade-out" };
export const animationStyles = Object.fromEntries(
  Object.entries({ ...appearing, ...leaving }).map(([style, animationName]) => [
    style,
    { value: { transformOrigin: "var(--transform-origin)", animationName } },
  ]),
);

export const keyframes = defineKeyframes({
  "fade-in": { from: { opacity: 0 }, to: { opacity: 1 } },
  "fade-out": { from: { opacity: 1 }, to: { opacity: 0 } },
  "scale-in": { from: { scale: "0.95" }, to: { scale: "1" } },
  "scale-out": { from: { scale: "1" }, to: { scale: "0.95" } },
});
