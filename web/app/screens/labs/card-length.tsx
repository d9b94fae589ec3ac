import type { LabCard } from "#core/lab";
import { LengthField } from "../../components/length-field.tsx";

interface CardLengthProps {
  readonly label: string;
  readonly help?: string;
  readonly mm: number;
  readonly unit: LabCard["unit"];
  readonly least: number;
  readonly most: number;
  readonly onMm: (mm: number) => void;
  readonly hideLabel?: boolean;
}

/** A length of a card, within what any lab could mean by it. */
export function CardLength({ least, most, onMm, help, ...field }: CardLengthProps) {
  return (
    <LengthField
      {...field}
      {...(help ? { help } : {})}
      ppi={300}
      onMm={(mm) => (mm >= least && mm <= most ? void onMm(mm) : `${least} \u2013 ${most} mm`)}
    />
  );
}
