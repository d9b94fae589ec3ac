import { contrastOf, luminance } from "#core/colour";
import { tellingTile } from "../fix-tile.ts";
import { spot } from "../places.ts";
import type { Ground, PageRule } from "../rule.ts";
import { wordsOn } from "../words-on.ts";

/** By WCAG 2.2's measure; paper in lamp light is no better than a screen. */
const leastContrast = 2.5;
const lostContrast = 1.5;

/** Words that hardly stand off from what lies behind them. */
export const wordsContrast: PageRule<{ readonly code: "wordsFaint"; readonly contrast: number }, "readableInk"> = {
  looksAt: "page",
  find: ({ page, format }, facts) =>
    wordsOn({ page, format }, facts).flatMap(({ tile, words, laid, at }) => {
      const ground = laid && facts.behind?.(tile.id, at);
      const contrast = ground ? worstContrast(words.style.colour, ground) : leastContrast;
      if (!ground || contrast >= leastContrast) return [];
      return [
        {
          code: "wordsFaint" as const,
          severity: contrast < lostContrast ? ("wrong" as const) : ("doubt" as const),
          contrast,
          spots: [spot(page, tile, at)],
          fixes: readableInk(ground) ? (["readableInk"] as const) : [],
        },
      ];
    }),
  fixes: {
    readableInk: tellingTile(({ id, filling }, { on, facts }) => {
      const words = wordsOn({ page: on, format: on.format }, facts).find((w) => w.tile.id === id);
      const ground = words && facts.behind?.(id, words.at);
      const colour = ground && readableInk(ground);
      return filling.kind === "words" && colour
        ? { filling: { ...filling, style: { ...filling.style, colour } } }
        : undefined;
    }),
  },
};

/** Against the tenth of the ground that is nearest in lightness; 1 where it lies on both sides. */
function worstContrast(colour: string, ground: Ground): number {
  const l = luminance(colour);
  if (l > ground.dark && l < ground.light) return 1;
  return Math.min(contrastOf(l, ground.dark), contrastOf(l, ground.light));
}

/** Whichever of near-black and white can be read there; nothing where neither can. */
function readableInk(ground: Ground): string | undefined {
  const inks = ["#1b2521", "#ffffff"].map((ink) => ({ ink, contrast: worstContrast(ink, ground) }));
  const best = inks.reduce((a, b) => (b.contrast > a.contrast ? b : a));
  return best.contrast >= leastContrast ? best.ink : undefined;
}
