import { HStack } from "@chakra-ui/react";
import type { Tone } from "#core/tone";
import { tone as words } from "../../../../text/index.ts";
import { Toggle } from "../../../components/toggle.tsx";
import { ColourRow } from "./colour-row.tsx";
import { SliderRow } from "./slider-row.tsx";

interface ToneSlidersProps {
  readonly tone: Tone;
  readonly onShow: (tone: Tone) => void;
  readonly onKeep: (tone: Tone, slider?: string) => void;
}

/** What a grey is made of where nothing else is said: about what eyes see. */
const plainGrey = [0.3, 0.59, 0.11] as const;
const firstTint = { colour: "#8b6f4e", amount: 0.8 } as const;

const either = ["contrast", "dark", "light", "warmth", "saturation"] as const;

/** Each thing that a tone can do. */
export function ToneSliders({ tone, onShow, onKeep }: ToneSlidersProps) {
  const { grey, tint } = tone;
  const row = (
    label: string,
    key: string,
    [least, value, most]: readonly [number, number, number],
    say: (v: number) => string,
    set: (v: number) => Tone,
  ) => (
    <SliderRow
      key={key}
      label={label}
      least={least}
      value={value}
      most={most}
      says={say(value)}
      onMove={(v) => onShow(set(v))}
      onEnd={(v) => onKeep(set(v), key)}
    />
  );
  return (
    <div>
      {row(words.exposure, "exposure", [-2, tone.exposure ?? 0, 2], words.stops, (exposure) => ({ ...tone, exposure }))}
      {either
        .filter((key) => key !== "saturation" || !grey)
        .map((key) => row(words[key], key, [-1, tone[key] ?? 0, 1], words.percent, (v) => ({ ...tone, [key]: v })))}
      {row(words.strength, "strength", [0, tone.strength ?? 1, 1], words.share, (strength) => ({ ...tone, strength }))}
      <HStack gap="5" my="2">
        <Toggle
          label={words.isGrey}
          on={grey !== undefined}
          onTurn={(on) => onKeep({ ...tone, grey: on ? plainGrey : undefined })}
        />
        <Toggle
          label={words.tint}
          on={tint !== undefined}
          onTurn={(on) => onKeep({ ...tone, tint: on ? firstTint : undefined })}
        />
      </HStack>
      {grey?.map((share, i) =>
        row(words.greys[i]!, `grey-${i}`, [0, share, 1], words.share, (v) => ({
          ...tone,
          grey: grey.with(i, v) as unknown as NonNullable<Tone["grey"]>,
        })),
      )}
      {tint && (
        <>
          {row(words.tintAmount, "tint", [0, tint.amount, 1], words.share, (amount) => ({
            ...tone,
            tint: { ...tint, amount },
          }))}
          <ColourRow
            label={words.tint}
            colour={tint.colour}
            onMove={(colour) => onShow({ ...tone, tint: { ...tint, colour } })}
            onEnd={(colour) => onKeep({ ...tone, tint: { ...tint, colour } })}
          />
        </>
      )}
    </div>
  );
}
