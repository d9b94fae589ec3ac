import { Box, Button, Grid, HStack, Text } from "@chakra-ui/react";
import { useState } from "react";
import { newStyle } from "#core/document";
import { allSides, type Sides } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { formatLength, type Unit } from "#core/units";
import { panel as words } from "../../../../text/index.ts";
import { LengthField } from "../../../components/length-field.tsx";
import { pressedLook } from "../../../components/panel-parts.tsx";
import { LengthRow } from "./length-row.tsx";

interface MarginsProps {
  readonly margin: Sides;
  readonly unit: Unit;
  readonly format: PageFormat;
  readonly onShow: (margin: Sides) => void;
  readonly onKeep: (margin: Sides) => string | undefined;
}

const sides = ["left", "right", "top", "bottom"] as const;
/** This near to the trim or the safe line a slider goes to it. */
const snapMm = 1;

/** How far the arrangement stays from the trim: all around, each side by itself, or out into the bleed. */
export function Margins({ margin, unit, format, onShow, onKeep }: MarginsProps) {
  const same = sides.every((s) => margin[s] === margin.top);
  const [apart, setApart] = useState(!same);
  const bleeds = sides.every((s) => margin[s] === 0);
  const shortMm = Math.min(format.widthMm, format.heightMm);
  const snapped = (mm: number) => (mm < snapMm ? 0 : Math.abs(mm - format.safeMm) < snapMm ? format.safeMm : mm);
  return (
    <>
      {apart || !same ? (
        <Grid templateColumns="1fr 1fr" gap="3" mb="2">
          {sides.map((side) => (
            <LengthField
              key={side}
              label={words.marginOf[side]}
              mm={margin[side]}
              unit={unit}
              ppi={format.ppi}
              onMm={(mm) => onKeep({ ...margin, [side]: mm })}
            />
          ))}
        </Grid>
      ) : (
        <LengthRow
          label={words.margin}
          mm={margin.top}
          sliderMostMm={Math.max(12, shortMm / 6)}
          unit={unit}
          format={format}
          onMove={(mm) => onShow(allSides(snapped(mm)))}
          onMm={(mm) => onKeep(allSides(mm))}
        />
      )}
      <HStack gap="2">
        <Button
          size="sm"
          variant="outline"
          aria-pressed={bleeds}
          onClick={() => onKeep(bleeds ? newStyle(format).margin : allSides(0))}
          {...pressedLook(bleeds)}
        >
          {words.fullBleed}
        </Button>
        <Button
          size="sm"
          variant="ghost"
          aria-pressed={apart}
          onClick={() => {
            if (!same) onKeep(allSides(margin.top));
            setApart(same ? !apart : false);
          }}
        >
          {apart || !same ? words.marginSame : words.marginApart}
        </Button>
      </HStack>
      <NearTrim margin={margin} format={format} unit={unit} onKeep={onKeep} />
    </>
  );
}

/** A tile that ends between the cut and the safe line looks wrong as soon as the cut is a little off. */
function NearTrim({ margin, format, unit, onKeep }: Omit<MarginsProps, "onShow">) {
  const near = sides.filter((s) => margin[s] > 0 && margin[s] < format.safeMm - 1e-6);
  if (near.length === 0) return null;
  const to = (mm: number) => onKeep({ ...margin, ...Object.fromEntries(near.map((s) => [s, mm])) });
  return (
    <Box role="alert" bg="saffron.100" color="saffron.700" borderRadius="soft" px="3" py="2.5" mb="3" fontSize="13.5px">
      <Text lineHeight="1.35">{words.nearTrim}</Text>
      <HStack gap="2" mt="2">
        <Button size="sm" variant="outline" bg="oat.25" onClick={() => to(0)}>
          {words.outToEdge}
        </Button>
        <Button size="sm" variant="outline" bg="oat.25" onClick={() => to(format.safeMm)}>
          {words.intoSafe(formatLength(format.safeMm, unit, format.ppi))}
        </Button>
      </HStack>
    </Box>
  );
}
