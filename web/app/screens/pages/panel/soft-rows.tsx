import { Button, Grid } from "@chakra-ui/react";
import { useState } from "react";
import type { Soft } from "#core/document";
import { allSides } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import type { Unit } from "#core/units";
import { dress as words } from "../../../../text/index.ts";
import { LengthField } from "../../../components/length-field.tsx";
import { LengthRow } from "./length-row.tsx";

interface SoftRowsProps {
  readonly soft: Soft;
  readonly mostMm: number;
  /** Sides of their own are for what has straight sides. */
  readonly straight: boolean;
  readonly unit: Unit;
  readonly format: PageFormat;
  readonly onShow: (soft: Soft) => void;
  readonly onKeep: (soft: Soft) => string | undefined;
}

const sides = ["left", "right", "top", "bottom"] as const;

/** How far a tile's edges fade into what lies behind: all around, or each side by itself. */
export function SoftRows({ soft, mostMm, straight, unit, format, onShow, onKeep }: SoftRowsProps) {
  const alike = sides.every((s) => soft[s] === soft.top);
  const [apart, setApart] = useState(false);
  return (
    <>
      {straight && (apart || !alike) ? (
        <Grid templateColumns="1fr 1fr" gap="3" mb="2">
          {sides.map((side) => (
            <LengthField
              key={side}
              label={words.softSides[side]}
              mm={soft[side]}
              unit={unit}
              ppi={format.ppi}
              onMm={(mm) => onKeep({ ...soft, [side]: mm })}
            />
          ))}
        </Grid>
      ) : (
        <LengthRow
          label={words.soft}
          mm={soft.top}
          sliderMostMm={mostMm}
          unit={unit}
          format={format}
          onMove={(mm) => onShow(allSides(mm))}
          onMm={(mm) => onKeep(allSides(mm))}
        />
      )}
      {straight && sides.some((s) => soft[s] > 0) && (
        <Button
          size="sm"
          variant="ghost"
          mb="2"
          onClick={() => {
            if (!alike) onKeep(allSides(Math.max(...sides.map((s) => soft[s]))));
            setApart(alike ? !apart : false);
          }}
        >
          {apart || !alike ? words.softAlike : words.softApart}
        </Button>
      )}
    </>
  );
}
