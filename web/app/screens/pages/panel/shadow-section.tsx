import { Box, Button } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { firstLight, type Light, type Shadow } from "#core/document";
import type { PageFormat } from "#core/lab";
import { type Thrown, thrownBy } from "#core/scene";
import { formatLength, type Unit } from "#core/units";
import { dress as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { Segmented } from "../../../components/segmented.tsx";
import { Toggle } from "../../../components/toggle.tsx";
import { ColourRow } from "./colour-row.tsx";
import { LengthRow } from "./length-row.tsx";
import { LightDial } from "./light-dial.tsx";
import { SliderRow } from "./slider-row.tsx";

interface ShadowSectionProps {
  readonly title: string;
  /** Nothing can fall into it. */
  readonly under?: boolean;
  /** What stands before it in the same section. */
  readonly children: ReactNode;
  readonly shadow: Shadow;
  readonly light: Light;
  readonly unit: Unit;
  readonly format: PageFormat;
  readonly onShow: (shadow: Shadow) => void;
  /** `slider`: what was moved, so that a row of movements is one step. */
  readonly onKeep: (shadow: Shadow, slider?: string) => void;
  readonly onShowLight: (light: Light) => void;
  readonly onLight: (light: Light) => void;
}

/** What falls from a tile or into it: by the work's one light, or as it is set by hand. */
export function ShadowSection(props: ShadowSectionProps) {
  const { shadow, light, unit, format, onShow, onKeep } = props;
  const falls = shadow.falls !== "none";
  const thrown = thrownBy(shadow, light, 1);
  const { own } = shadow;
  return (
    <PanelSection title={props.title} folds="shadow" folded>
      {props.children}
      <Segmented
        label={words.shadow}
        value={shadow.falls}
        options={[
          ["none", words.falls.none],
          ["under", words.falls.under],
          ...(props.under ? [] : [["inside", words.falls.inside] as const]),
        ]}
        onChoose={(next) => onKeep({ ...shadow, falls: next })}
      />
      {falls && (
        <>
          <SliderRow
            label={words.strength}
            value={shadow.strength}
            most={1}
            says={words.share(shadow.strength)}
            onMove={(strength) => onShow({ ...shadow, strength })}
            onEnd={(strength) => onKeep({ ...shadow, strength }, "strength")}
          />
          {own ? (
            <ByHand
              own={own}
              unit={unit}
              format={format}
              onShow={(o) => onShow({ ...shadow, own: o })}
              onKeep={(o, k) => onKeep({ ...shadow, own: o }, k)}
            />
          ) : (
            <>
              <SliderRow
                label={words.lift}
                value={shadow.liftMm ?? 0}
                most={12}
                step={0.1}
                says={shadow.liftMm ? formatLength(shadow.liftMm, unit, format.ppi) : words.byOrder}
                onMove={(mm) => onShow({ ...shadow, liftMm: mm > 0 ? mm : undefined })}
                onEnd={(mm) => onKeep({ ...shadow, liftMm: mm > 0 ? mm : undefined }, "lift")}
              />
              <LightDial light={light} onShow={props.onShowLight} onKeep={props.onLight} />
            </>
          )}
          <Box mb="2.5">
            <Toggle
              label={words.byHand}
              on={own !== undefined}
              onTurn={(on) => onKeep({ ...shadow, own: on ? tidy(thrown) : undefined })}
            />
          </Box>
          <ColourRow
            label={words.shadowColour}
            colour={shadow.colour}
            onMove={(colour) => onShow({ ...shadow, colour })}
            onEnd={(colour) => onKeep({ ...shadow, colour })}
          />
        </>
      )}
      {falls && JSON.stringify(light) !== JSON.stringify(firstLight) && (
        <Button size="sm" variant="ghost" onClick={() => props.onLight(firstLight)}>
          {words.firstLight}
        </Button>
      )}
    </PanelSection>
  );
}

const tidy = ({ x, y, blurMm }: Thrown): Thrown => {
  const tenth = (mm: number) => Math.round(mm * 10) / 10;
  return { x: tenth(x), y: tenth(y), blurMm: tenth(blurMm) };
};

interface ByHandProps {
  readonly own: Thrown;
  readonly unit: Unit;
  readonly format: PageFormat;
  readonly onShow: (own: Thrown) => void;
  readonly onKeep: (own: Thrown, slider: string) => void;
}

/** Where a shadow lies and how soft it is, whatever the light. */
function ByHand({ own, unit, format, onShow, onKeep }: ByHandProps) {
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  return (
    <>
      {(["x", "y"] as const).map((axis) => (
        <SliderRow
          key={axis}
          label={words.moved[axis]}
          least={-15}
          value={own[axis]}
          most={15}
          step={0.1}
          says={length(own[axis])}
          onMove={(mm) => onShow({ ...own, [axis]: mm })}
          onEnd={(mm) => onKeep({ ...own, [axis]: mm }, axis)}
        />
      ))}
      <LengthRow
        label={words.blur}
        mm={own.blurMm}
        sliderMostMm={10}
        unit={unit}
        format={format}
        onMove={(blurMm) => onShow({ ...own, blurMm })}
        onMm={(blurMm) => {
          onKeep({ ...own, blurMm: Math.min(50, Math.max(0, blurMm)) }, "blur");
          return undefined;
        }}
      />
    </>
  );
}
