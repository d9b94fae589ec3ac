import { Box } from "@chakra-ui/react";
import { type Fold, type PageFormat, safeBox, trimBox } from "#core/lab";
import { type PageView, placeOf } from "./page-view.ts";

/** What the lab cuts away, veiled, with the line of the cut; dashed, what no cut ever touches; and what a fold hides. */
export function CutLines({ view, format }: { readonly view: PageView; readonly format: PageFormat }) {
  const { box, scale } = view;
  const trim = trimBox(format);
  const widths = [trim.y - box.y, box.x + box.w - trim.w, box.y + box.h - trim.h, trim.x - box.x];
  return (
    <Box position="absolute" inset="0" pointerEvents="none" overflow="hidden">
      {format.bleedMm > 0 && (
        <Box
          position="absolute"
          inset="0"
          borderStyle="solid"
          borderColor="rgba(233, 226, 213, .74)"
          borderWidth={widths.map((mm) => `${Math.max(0, mm) * scale}px`).join(" ")}
        />
      )}
      {format.bleedMm > 0 && (
        <Box position="absolute" outline="1px solid rgba(27,37,33,.4)" style={placeOf(view, trim)} />
      )}
      {format.safeMm > 0 && (
        <Box
          position="absolute"
          border="1px dashed"
          borderColor="rgba(23,117,126,.75)"
          style={placeOf(view, safeBox(format))}
        />
      )}
      {format.folds?.map((fold) => (
        <FoldLine key={fold.atMm} fold={fold} view={view} format={format} />
      ))}
    </Box>
  );
}

const stripes = "repeating-linear-gradient(45deg, rgba(27,37,33,.16) 0 2px, transparent 2px 7px)";

/** The line of a fold, and the strip on both sides of it that the binding swallows. */
function FoldLine({
  fold,
  view,
  format,
}: {
  readonly fold: Fold;
  readonly view: PageView;
  readonly format: PageFormat;
}) {
  const { y, h } = view.box;
  const hidden = { x: fold.atMm - fold.hiddenMm, y, w: 2 * fold.hiddenMm, h };
  const inside = fold.atMm > 0 && fold.atMm < format.widthMm;
  return (
    <>
      {fold.hiddenMm > 0 && <Box position="absolute" style={placeOf(view, hidden)} background={stripes} />}
      {inside && (
        <Box
          position="absolute"
          borderLeft="1px solid rgba(27,37,33,.35)"
          style={placeOf(view, { x: fold.atMm, y, w: 0, h })}
        />
      )}
    </>
  );
}
