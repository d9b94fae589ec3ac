import { useLayoutEffect, useState } from "react";
import { useFieldsOf } from "./fields-of.ts";
import { TextField } from "./text-field.tsx";

interface CountFieldProps {
  readonly label: string;
  /** Undefined shows the placeholder. */
  readonly value: number | undefined;
  readonly placeholder?: string;
  /** Undefined when the field was emptied. */
  readonly onCount: (count: number | undefined) => void;
}

/** A whole number; letters never get in, and an empty field says so. */
export function CountField({ label, value, placeholder, onCount }: CountFieldProps) {
  const shown = value === undefined ? "" : String(value);
  const [text, setText] = useState(shown);
  const of = useFieldsOf();
  // biome-ignore lint/correctness/useExhaustiveDependencies: of something else it begins anew, though that may be as many
  useLayoutEffect(() => setText(shown), [shown, of]);
  const take = () => {
    const count = text === "" ? undefined : Number(text);
    if (count !== value) onCount(count);
  };
  return (
    <TextField
      label={label}
      inputMode="numeric"
      value={text}
      placeholder={placeholder}
      onChange={(e) => setText(e.target.value.replace(/\D/g, "").slice(0, 4))}
      onBlur={take}
      onKeyDown={(e) => {
        if (e.key === "Enter") take();
        if (e.key === "Escape") setText(shown);
        if (e.key === "ArrowUp" || e.key === "ArrowDown") {
          e.preventDefault();
          onCount(Math.max(1, (value ?? 1) + (e.key === "ArrowUp" ? 1 : -1)));
        }
      }}
    />
  );
}
