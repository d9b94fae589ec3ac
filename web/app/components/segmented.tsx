import { useId } from "react";
import css from "./segmented.module.css";

interface SegmentedProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [value: T, words: string])[];
  readonly onChoose: (value: T) => void;
  /** Many choices in a narrow place. */
  readonly tight?: boolean;
}

/** A few choices side by side, one of which holds. */
export function Segmented<T extends string>({ label, value, options, onChoose, tight = false }: SegmentedProps<T>) {
  const name = useId();
  return (
    <div role="radiogroup" aria-label={label} className={css.group} data-tight={tight || undefined}>
      {options.map(([v, words]) => (
        <label key={v} className={css.option}>
          <input
            type="radio"
            className={css.input}
            name={name}
            value={v}
            checked={v === value}
            onChange={() => onChoose(v)}
          />
          {words}
        </label>
      ))}
    </div>
  );
}
