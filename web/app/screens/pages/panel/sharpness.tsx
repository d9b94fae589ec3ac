import { Box, HStack, Text } from "@chakra-ui/react";
import { CircleCheck, CircleMinus, TriangleAlert } from "lucide-react";
import { framingOf, type PlacedTile, pictureRect } from "#core/document";
import { effectivePpi, type Sharpness as Level, sharpnessOf } from "#core/fit";
import type { PageFormat } from "#core/lab";
import { type Photo, photoShape } from "#core/photo";
import { formatSize, type Unit } from "#core/units";
import { sharpnessWords, panel as words } from "../../../../text/index.ts";

const looks: Record<Level, { readonly Icon: typeof CircleCheck; readonly bg: string; readonly ink: string }> = {
  sharp: { Icon: CircleCheck, bg: "moss.100", ink: "moss.700" },
  fair: { Icon: CircleMinus, bg: "saffron.100", ink: "saffron.700" },
  soft: { Icon: TriangleAlert, bg: "clay.100", ink: "clay.700" },
};

/** How sharp a tile's photo will print, live, and how large it could be. */
export function SharpnessFigure({
  tile,
  photo,
  format,
  unit,
}: {
  readonly tile: PlacedTile;
  readonly photo: Photo;
  readonly format: PageFormat;
  readonly unit: Unit;
}) {
  if (tile.filling.kind !== "photo") return null;
  const rect = pictureRect(tile);
  const ppi = effectivePpi(photo, rect, framingOf(tile.filling.view, photoShape(photo), tile, format));
  const level = sharpnessOf(ppi, format);
  const { Icon, bg, ink } = looks[level];
  const k = ppi / format.ppi;
  const printed = tile.through ?? rect;
  const best = formatSize(printed.w * k, printed.h * k, unit, format.ppi);
  if (level === "sharp")
    return (
      <HStack gap="1.5" color={ink} fontSize="13.5px" role="status" data-testid="sharpness" data-level={level}>
        <Icon size={16} aria-hidden />
        {sharpnessWords.sharp.short}
        <Text as="span" ml="auto" fontVariantNumeric="tabular-nums">
          {words.ppi(Math.round(ppi))}
        </Text>
      </HStack>
    );
  return (
    <Box bg={bg} color={ink} borderRadius="soft" px="3" py="2" role="status" data-testid="sharpness" data-level={level}>
      <HStack justify="space-between" fontWeight="600">
        <HStack gap="2">
          <Icon size={18} aria-hidden />
          {sharpnessWords[level].short}
        </HStack>
        <Text as="span" fontVariantNumeric="tabular-nums">
          {words.ppi(Math.round(ppi))}
        </Text>
      </HStack>
      <Text fontSize="13.5px" mt="1" lineHeight="1.35">
        {sharpnessWords[level].long} {words.sharpAt(best)}.
      </Text>
    </Box>
  );
}
