import { SimpleGrid } from "@chakra-ui/react";
import { type Unit, units } from "#core/units";
import { start as words } from "../../text/index.ts";
import { CountField } from "./count-field.tsx";
import css from "./fields.module.css";
import { LengthField } from "./length-field.tsx";
import { Select } from "./select.tsx";

export interface OwnSize {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly bleedMm: number;
  readonly ppi: number;
}

interface OwnSizeFormProps {
  readonly size: OwnSize;
  readonly unit: Unit;
  readonly onSize: (size: OwnSize) => void;
  readonly onUnit: (unit: Unit) => void;
  /** Beside each other; three where nothing is said. */
  readonly columns?: number;
}

/** Any size at all; whether it can be printed is said beside the preview. */
export function OwnSizeForm({ size, unit, onSize, onUnit, columns = 3 }: OwnSizeFormProps) {
  const length = (label: string, key: "widthMm" | "heightMm" | "bleedMm", help?: string) => (
    <LengthField
      label={label}
      mm={size[key]}
      unit={unit}
      ppi={size.ppi}
      onMm={(mm) => {
        onSize({ ...size, [key]: mm });
        return undefined;
      }}
      {...(help === undefined ? {} : { help })}
    />
  );
  return (
    <SimpleGrid columns={columns} gap="4" maxW="640px">
      {length(words.width, "widthMm")}
      {length(words.height, "heightMm")}
      <div>
        <span className={css.label} aria-hidden>
          {words.unit}
        </span>
        <Select label={words.unit} value={unit} options={units.map((u) => [u, u])} onChoose={onUnit} />
      </div>
      {length(words.bleed, "bleedMm", words.bleedHelp)}
      <CountField label={words.ppi} value={size.ppi} onCount={(ppi) => ppi !== undefined && onSize({ ...size, ppi })} />
    </SimpleGrid>
  );
}
