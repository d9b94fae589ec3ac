import { Box, HStack } from "@chakra-ui/react";
import { useState } from "react";
import type { PageFormat } from "#core/lab";
import type { Unit } from "#core/units";
import { LengthField } from "../../../components/length-field.tsx";
import { Bead } from "../../../components/panel-parts.tsx";

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

/** A length by number and by slider; both show where the slider is while it is being dragged. */
export function LengthRow({ label, mm, sliderMostMm, unit, format, onMove, onMm }: LengthRowProps) {
  const [dragged, setDragged] = useState<number>();
  const now = dragged ?? mm;
  return (
    <HStack gap="4" align="end" mb="3">
      <Box w="104px" flexShrink="0">
        <LengthField label={label} mm={now} unit={unit} ppi={format.ppi} onMm={onMm} />
      </Box>
      <Box flex="1" pb="2.5">
        <Bead
          label={label}
          value={now}
          most={sliderMostMm}
          step={0.25}
          onMove={(v) => {
            setDragged(v);
            onMove(v);
          }}
          onEnd={(v) => {
            setDragged(undefined);
            onMm(v);
          }}
        />
      </Box>
    </HStack>
  );
}
