import { isFree, type PlacedPage, type PlacedTile } from "#core/document";
import type { PageFormat } from "#core/lab";
import type { Risk } from "../finding.ts";
import { fillingOf, tellingTile } from "../fix-tile.ts";
import { moveInside } from "../move-inside.ts";
import { riskOf, spot } from "../places.ts";
import type { PageFacts, PageRule } from "../rule.ts";
import { wordsOn } from "../words-on.ts";

/** Words that the knife or the fold takes, or may take. */
export const wordsPlace: PageRule<
  { readonly code: "wordsAtRisk"; readonly risk: Risk; readonly beyondMm: number },
  "moveInside" | "insetWords"
> = {
  looksAt: "page",
  find: ({ page, format }, facts) =>
    wordsOn({ page, format }, facts).flatMap(({ tile, laid, at }) => {
      const risk = laid && laid.lines.length > 0 ? riskOf(at, format) : undefined;
      if (!risk) return [];
      const fixes = isFree(page.page, tile.id)
        ? (["moveInside"] as const)
        : withWiderInset(page, tile, format, facts)
          ? (["insetWords"] as const)
          : [];
      const severity = risk.risk === "near" ? ("doubt" as const) : ("wrong" as const);
      return [{ code: "wordsAtRisk" as const, severity, ...risk, spots: [spot(page, tile, at)], fixes }];
    }),
  fixes: {
    moveInside,
    insetWords: tellingTile((tile, { on, facts }) => fillingOf(withWiderInset(on, tile, on.format, facts))),
  },
};

const insetStepMm = 0.5;
const mostInsetMm = 30;

/** Words in a tile of an arrangement with as much room around them as they need to be safe; nothing where they do not fit then. */
function withWiderInset(
  page: PlacedPage,
  tile: PlacedTile,
  format: PageFormat,
  facts: PageFacts,
): PlacedTile | undefined {
  const { filling } = tile;
  if (filling.kind !== "words") return undefined;
  for (let insetMm = filling.style.insetMm + insetStepMm; insetMm <= mostInsetMm; insetMm += insetStepMm) {
    const next: PlacedTile = { ...tile, filling: { ...filling, style: { ...filling.style, insetMm } } };
    const [on] = wordsOn({ page: { ...page, tiles: [next] }, format }, facts);
    if (!on?.laid || on.laid.hidden > 0) return undefined;
    if (!riskOf(on.at, format)) return next;
  }
  return undefined;
}
