import { Box } from "@chakra-ui/react";
import type { Border } from "#core/document";
import type { PageFormat } from "#core/lab";
import type { Unit } from "#core/units";
import { dress, panel as words } from "../../../../text/index.ts";
import { Segmented } from "../../../components/segmented.tsx";
import { Toggle } from "../../../components/toggle.tsx";
import { ColourRow } from "./colour-row.tsx";
import { LengthRow } from "./length-row.tsx";

interface BorderRowsProps {
  readonly border: Border;
  readonly mostMm: number;
  readonly unit: Unit;
  readonly format: PageFormat;
  /** Only what is to be another. */
  readonly onShow: (own: Partial<Border>) => void;
  readonly onKeep: (own: Partial<Border>) => string | undefined;
}

const firstSecond = { gapMm: 1, widthMm: 0.4 } as const;

/** A border: how wide, in which colour, where it lies by the outline, and a finer line inside of it. */
export function BorderRows({ border, mostMm, unit, format, onShow, onKeep }: BorderRowsProps) {
  const { second } = border;
  const row = (label: string, mm: number, most: number, set: (mm: number) => Partial<Border>) => (
    <LengthRow
      label={label}
      mm={mm}
      sliderMostMm={most}
      unit={unit}
      format={format}
      onMove={(v) => onShow(set(v))}
      onMm={(v) => onKeep(set(v))}
    />
  );
  return (
    <>
      {row(words.border, border.widthMm, mostMm, (widthMm) => ({ widthMm }))}
      {border.widthMm > 0 && (
        <>
          <ColourRow
            label={words.borderColour}
            colour={border.colour}
            onMove={(colour) => onShow({ colour })}
            onEnd={(colour) => void onKeep({ colour })}
          />
          {border.footMm === undefined && (
            <Box mb="2">
              <Segmented
                label={dress.borderLies}
                value={border.lies ?? "inside"}
                options={[
                  ["inside", dress.borderPlaces.inside],
                  ["across", dress.borderPlaces.across],
                  ["outside", dress.borderPlaces.outside],
                ]}
                onChoose={(lies) => void onKeep({ lies: lies === "inside" ? undefined : lies })}
              />
            </Box>
          )}
          <Box mb="2.5">
            <Toggle
              label={dress.second}
              on={second !== undefined}
              onTurn={(on) => void onKeep({ second: on ? { ...firstSecond, colour: border.colour } : undefined })}
            />
          </Box>
          {second && (
            <>
              {row(dress.secondWidth, second.widthMm, 3, (widthMm) => ({ second: { ...second, widthMm } }))}
              {row(dress.secondGap, second.gapMm, 6, (gapMm) => ({ second: { ...second, gapMm } }))}
              <ColourRow
                label={dress.secondColour}
                colour={second.colour}
                onMove={(colour) => onShow({ second: { ...second, colour } })}
                onEnd={(colour) => void onKeep({ second: { ...second, colour } })}
              />
            </>
          )}
        </>
      )}
    </>
  );
}
