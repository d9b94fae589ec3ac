import { Box, Text } from "@chakra-ui/react";
import type { LabCard } from "#core/lab";
import { formatLength, formatSize } from "#core/units";
import { labs as words } from "../../../text/index.ts";
import css from "./lab-drawing.module.css";

const boxPx = 250;

/** The first size of a card to scale, with what is cut away, what may be lost and what has to be kept clear. */
export function LabDrawing({ card }: { readonly card: LabCard }) {
  const size = card.sizes[0];
  if (!size || !(size.widthMm > 0 && size.heightMm > 0)) return null;
  const { bleedMm, lossMm, safeMm, unit } = card;
  const [w, h] = [size.widthMm, size.heightMm];
  const gutterMm = card.book?.gutterMm ?? 0;
  const scale = boxPx / Math.max(w + 2 * bleedMm, h + 2 * bleedMm);
  const [W, H] = [(w + 2 * bleedMm) * scale, (h + 2 * bleedMm) * scale];
  const trim = { x: bleedMm * scale, y: bleedMm * scale, w: w * scale, h: h * scale };
  const inner = (by: number, left = 0) => ({
    x: trim.x + (by + left) * scale,
    y: trim.y + by * scale,
    width: Math.max(0, trim.w - (2 * by + left) * scale),
    height: Math.max(0, trim.h - 2 * by * scale),
  });
  const rows = [
    [bleedMm, words.drawn.bleed, css.bleed],
    [lossMm, words.drawn.loss, css.loss],
    [safeMm, words.drawn.safe, css.safe],
    [gutterMm, words.drawn.gutter, css.gutter],
  ] as const;
  return (
    <Box as="figure" aria-label={words.drawing}>
      <svg
        role="img"
        aria-label={words.drawing}
        width={boxPx + 20}
        height={H + 20}
        viewBox={`${(W - boxPx) / 2 - 10} -10 ${boxPx + 20} ${H + 20}`}
      >
        <rect className={css.bleed} x="0" y="0" width={W} height={H} />
        <rect className={css.paper} x={trim.x} y={trim.y} width={trim.w} height={trim.h} />
        {lossMm > 0 && (
          <>
            <rect className={css.loss} x={trim.x} y={trim.y} width={trim.w} height={trim.h} />
            <rect className={css.paper} {...inner(lossMm)} />
          </>
        )}
        {gutterMm > 0 && <rect className={css.gutter} x={trim.x} y={trim.y} width={gutterMm * scale} height={trim.h} />}
        {safeMm > 0 && <rect className={css.safe} {...inner(safeMm, gutterMm)} />}
        <rect className={css.trim} x={trim.x} y={trim.y} width={trim.w} height={trim.h} />
      </svg>
      <Text fontWeight="600" mt="3" fontVariantNumeric="tabular-nums">
        {formatSize(w, h, unit, card.ppi.wanted)}
      </Text>
      {rows.map(([mm, name, look]) =>
        mm > 0 ? (
          <Box key={name} display="flex" alignItems="center" gap="2.5" fontSize="14px" mt="1">
            <svg aria-hidden="true" width="18" height="12">
              <rect className={look} x="1" y="1" width="16" height="10" />
            </svg>
            {formatLength(mm, unit, card.ppi.wanted)} {name}
          </Box>
        ) : null,
      )}
    </Box>
  );
}
