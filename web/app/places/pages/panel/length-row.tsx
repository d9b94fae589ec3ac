import { Box, HStack } from "@chakra-ui/react";
import type { PageFormat } from "#core/lab";
import type { Unit } from "#core/units";
import { LengthField } from "../../../parts/length-field.tsx";
import { Bead } from "./parts.tsx";

interface LengthRowProps {
  readonly label: string;
  readonly mm: number;
  /** Where the slider ends; the field takes more, as far as it makes sense. */
  readonly sliderMostMm: number;
  readonly unit: Unit;
  readonly format: PageFormat;
  readonly onMove: (mm: number) => void;
  readonly onMm: (mm: number) => string | undefined;
}

/** A length by number and by slider. */
export function LengthRow({ label, mm, sliderMostMm, unit, format, onMove, onMm }: LengthRowProps) {
  return (
    <HStack gap="4" align="end" mb="3">
      <Box w="104px" flexShrink="0">
        <LengthField label={label} mm={mm} unit={unit} ppi={format.ppi} onMm={onMm} />
      </Box>
      <Box flex="1" pb="2.5">
        <Bead label={label} value={mm} most={sliderMostMm} step={0.25} onMove={onMove} onEnd={(v) => void onMm(v)} />
      </Box>
    </HStack>
  );
}
