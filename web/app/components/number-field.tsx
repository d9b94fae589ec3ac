import { useLayoutEffect, useState } from "react";
import { useFieldsOf } from "./fields-of.ts";
import { TextField } from "./text-field.tsx";

interface NumberFieldProps {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  /** Of the arrow keys; ten times as much with Shift. */
  readonly step: number;
  readonly onNumber: (value: number) => void;
  readonly hideLabel?: boolean;
}

const tidy = (v: number): number => Math.round(v * 1000) / 1000;

/** Any number within bounds; what is no number leaves the last one standing. */
export function NumberField({ label, value, least, most, step, onNumber, hideLabel = false }: NumberFieldProps) {
  const shown = String(tidy(value));
  const [text, setText] = useState(shown);
  const of = useFieldsOf();
  // biome-ignore lint/correctness/useExhaustiveDependencies: of something else it begins anew, though that may be as much
  useLayoutEffect(() => setText(shown), [shown, of]);
  const put = (v: number) => {
    const next = Math.min(most, Math.max(least, tidy(v)));
    setText(String(next));
    if (next !== value) onNumber(next);
  };
  const take = () => {
    const typed = Number(text.replace(",", ".").replace("−", "-"));
    if (text.trim() === "" || !Number.isFinite(typed)) setText(shown);
    else put(typed);
  };
  return (
    <TextField
      label={label}
      hideLabel={hideLabel}
      inputMode="decimal"
      value={text}
      onChange={(e) => setText(e.target.value.slice(0, 12))}
      onBlur={take}
      onKeyDown={(e) => {
        if (e.key === "Enter") take();
        if (e.key === "Escape") setText(shown);
        if (e.key === "ArrowUp" || e.key === "ArrowDown") {
          e.preventDefault();
          put(value + (e.key === "ArrowUp" ? 1 : -1) * (e.shiftKey ? 10 : 1) * step);
        }
      }}
    />
  );
}
