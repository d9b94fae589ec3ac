import { Button, HStack } from "@chakra-ui/react";
import { type Corner, cornerCuts, type Outline } from "#core/outlines";
import type { Unit } from "#core/units";
import { panel as words } from "../../../../text/index.ts";
import { Beside } from "../../../components/field-label.tsx";
import { LengthField } from "../../../components/length-field.tsx";
import { NumberField } from "../../../components/number-field.tsx";
import { Select } from "../../../components/select.tsx";

interface OutlineSettingsProps {
  readonly outline: Outline;
  readonly unit: Unit;
  readonly ppi: number;
  readonly onSet: (outline: Outline) => void;
}

/** What a kind of outline can be told besides its corners. */
export function OutlineSettings({ outline, unit, ppi, onSet }: OutlineSettingsProps) {
  const count = (
    label: string,
    value: number,
    least: number,
    most: number,
    step: number,
    set: (n: number) => Outline,
  ) => (
    <Beside label={label}>
      <NumberField
        hideLabel
        label={label}
        value={value}
        least={least}
        most={most}
        step={step}
        onNumber={(n) => onSet(set(n))}
      />
    </Beside>
  );
  switch (outline.kind) {
    case "polygon":
      return count(words.polygonSides, outline.sides, 3, 12, 1, (sides) => ({ ...outline, sides: Math.round(sides) }));
    case "star":
      return (
        <>
          {count(words.starPoints, outline.points, 3, 24, 1, (points) => ({ ...outline, points: Math.round(points) }))}
          {count(words.starInner, Math.round(100 * outline.inner), 10, 95, 5, (n) => ({ ...outline, inner: n / 100 }))}
        </>
      );
    case "scallops":
      return (
        <Beside label={words.scallopSize}>
          <LengthField
            hideLabel
            label={words.scallopSize}
            mm={outline.sizeMm}
            unit={unit}
            ppi={ppi}
            onMm={(mm) => {
              onSet({ ...outline, sizeMm: Math.min(200, Math.max(2, mm)) });
              return undefined;
            }}
          />
        </Beside>
      );
    case "torn":
      return (
        <>
          <Beside label={words.tornDepth}>
            <LengthField
              hideLabel
              label={words.tornDepth}
              mm={outline.depthMm}
              unit={unit}
              ppi={ppi}
              onMm={(mm) => {
                onSet({ ...outline, depthMm: Math.min(30, Math.max(0.5, mm)) });
                return undefined;
              }}
            />
          </Beside>
          <Button size="sm" variant="outline" onClick={() => onSet({ ...outline, seed: outline.seed + 1 })}>
            {words.tornAgain}
          </Button>
        </>
      );
    case "corners":
      return outline.each.map((corner, i) => {
        const name = words.cornerNames[i]!;
        const set = (next: Partial<Corner>) => {
          const [a, b, c, d] = outline.each.map((e, k) => (k === i ? { ...e, ...next } : e)) as [
            Corner,
            Corner,
            Corner,
            Corner,
          ];
          onSet({ ...outline, each: [a, b, c, d] });
        };
        return (
          <Beside key={name} label={name}>
            <HStack gap="1.5">
              <Select<Corner["cut"]>
                label={`${name}, ${words.outline}`}
                value={corner.cut}
                options={cornerCuts.map((c) => [c, words.cornerCuts[c]])}
                onChoose={(cut) => set({ cut })}
              />
              <LengthField
                hideLabel
                label={name}
                mm={corner.mm}
                unit={unit}
                ppi={ppi}
                onMm={(mm) => {
                  set({ mm: Math.min(500, Math.max(0, mm)) });
                  return undefined;
                }}
              />
            </HStack>
          </Beside>
        );
      });
    default:
      return null;
  }
}
