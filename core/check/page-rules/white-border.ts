import { cutWander } from "#core/lab";
import { borderedOf, whiteBorderMm } from "#core/scene";
import { spot } from "../places.ts";
import type { FixAt, PageRule } from "../rule.ts";
import { wordsOn } from "../words-on.ts";

const hairMm = 0.1;

/** A border around the finished page that the cut can make crooked, and words that an even one takes a part of. */
export const whiteBorder: PageRule<
  | { readonly code: "thinWhiteBorder"; readonly widthMm: number; readonly wanderMm: number; readonly told: boolean }
  | { readonly code: "whiteBorderCuts"; readonly beyondMm: number },
  "widerWhiteBorder" | "wholeInBorder"
> = {
  looksAt: "page",
  find: ({ page, format }, facts) => {
    const { whiteBorder: border } = page.look;
    const bordered = borderedOf(page);
    if (!border || !bordered) return [];
    const widthMm = whiteBorderMm(border, format);
    const wanderMm = cutWander(format);
    const thin =
      widthMm < wanderMm
        ? [
            {
              ...{ code: "thinWhiteBorder" as const, severity: "doubt" as const, widthMm, wanderMm },
              ...{ told: format.cutWanderMm !== undefined },
              ...{ spots: [{ pageId: page.id, tileIds: [] }], fixes: ["widerWhiteBorder" as const] },
            },
          ]
        : [];
    const { x, y, w, h } = bordered.seen;
    const cut = wordsOn({ page, format }, facts).flatMap(({ tile, at, laid }) => {
      const beyondMm = Math.max(x - at.x, y - at.y, at.x + at.w - x - w, at.y + at.h - y - h);
      if (!laid || laid.lines.length === 0 || beyondMm <= hairMm) return [];
      const fixes = ["wholeInBorder" as const];
      return [
        {
          code: "whiteBorderCuts" as const,
          severity: "wrong" as const,
          beyondMm,
          spots: [spot(page, tile, at)],
          fixes,
        },
      ];
    });
    return [...thin, ...cut];
  },
  fixes: {
    widerWhiteBorder: (at) => told(at, { by: { unit: "mm", mm: Math.ceil(2 * cutWander(at.on.format)) / 2 } }),
    wholeInBorder: (at) => told(at, { whole: true }),
  },
};

function told({ on }: FixAt, own: object) {
  const { whiteBorder: border } = on.look;
  if (!border) return [];
  return [{ type: "setPages" as const, items: [{ id: on.id, set: { whiteBorder: { ...border, ...own } } }] }];
}
