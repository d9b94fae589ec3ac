import { Bead } from "../../../components/panel-parts.tsx";
import css from "./slider-row.module.css";

interface SliderRowProps {
  readonly label: string;
  readonly least?: number;
  readonly value: number;
  readonly most: number;
  readonly step?: number;
  /** The value in words, beside the slider. */
  readonly says?: string;
  readonly onMove: (value: number) => void;
  readonly onEnd: (value: number) => void;
}

/** A slider with its name before it. */
export function SliderRow({ label, least = 0, value, most, step = 0.02, says = "", onMove, onEnd }: SliderRowProps) {
  return (
    <div className={css.row}>
      <span aria-hidden>{label}</span>
      <Bead label={label} least={least} value={value} most={most} step={step} onMove={onMove} onEnd={onEnd} />
      <span className={css.value}>{says}</span>
    </div>
  );
}
