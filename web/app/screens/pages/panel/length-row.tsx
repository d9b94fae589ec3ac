import { Box, HStack, Text } from "@chakra-ui/react";
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

/** A length by number and by slider in one line; both show where the slider is while it is being dragged. */
export function LengthRow({ label, mm, sliderMostMm, unit, format, onMove, onMm }: LengthRowProps) {
  const [dragged, setDragged] = useState<number>();
  const now = dragged ?? mm;
  return (
    <HStack gap="2.5" align="start" mb="2">
      <Text
        fontSize="14px"
        fontWeight="500"
        color="fg.muted"
        w="72px"
        pt="2"
        flexShrink="0"
        lineHeight="1.3"
        aria-hidden
      >
        {label}
      </Text>
      <Box w="80px" flexShrink="0">
        <LengthField label={label} hideLabel mm={now} unit={unit} ppi={format.ppi} onMm={onMm} />
      </Box>
      <Box flex="1" pt="2">
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
