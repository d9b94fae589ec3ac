import { chakra } from "@chakra-ui/react";
import { useId, useLayoutEffect, useRef, useState } from "react";
import { formatLength, lengthNumber, mmPer, parseLength, type Unit } from "#core/units";
import { lengthTrouble } from "../../text/index.ts";
import css from "./fields.module.css";
import { useFieldsOf } from "./fields-of.ts";

interface LengthFieldProps {
  readonly label: string;
  readonly mm: number;
  readonly unit: Unit;
  readonly ppi: number;
  /** Gives back what is wrong with it, in words, or nothing when it was taken. */
  readonly onMm: (mm: number) => string | undefined;
  readonly help?: string;
  readonly hideLabel?: boolean;
}

/** The smallest step of the arrow keys that still shows in this unit. */
const stepMm = (unit: Unit, ppi: number): number => ({ mm: 0.5, cm: 0.5, in: 25.4 / 32, px: mmPer("px", ppi) })[unit];

/** A length in the person's own unit, typed as a number, with another unit, or as a simple sum. */
export function LengthField({ label, mm, unit, ppi, onMm, help, hideLabel = false }: LengthFieldProps) {
  const shown = lengthNumber(mm, unit, ppi);
  const [text, setText] = useState(shown);
  const [trouble, setTrouble] = useState<string>();
  /** What was taken and is not shown yet, as the panel follows a moment later: a blur must not take it a second time. */
  const taken = useRef<string>(undefined);
  const of = useFieldsOf();
  // biome-ignore lint/correctness/useExhaustiveDependencies: of something else it begins anew, though that may be as long
  useLayoutEffect(() => {
    taken.current = undefined;
    setText(shown);
    setTrouble(undefined);
  }, [shown, of]);

  const take = (typed: string) => {
    if (typed === shown) {
      setTrouble(undefined);
      return;
    }
    const read = parseLength(typed, unit, ppi);
    const wrong = read.ok ? onMm(read.value) : lengthTrouble[read.code];
    setTrouble(wrong);
    if (read.ok && !wrong) taken.current = typed;
    // What was typed rounds to what is there already: show it as it is kept.
    if (read.ok && !wrong && lengthNumber(read.value, unit, ppi) === shown) setText(shown);
  };
  const step = (by: number) => {
    const next = Math.max(0, mm + by * stepMm(unit, ppi));
    setTrouble(onMm(next));
  };

  const id = useId();
  const noteId = useId();
  const note = trouble ?? help;

  return (
    <div className={css.field}>
      <label htmlFor={id} className={hideLabel ? css.unseen : css.label}>
        {label}
      </label>
      <div className={css.box}>
        <NumberBox
          id={id}
          aria-invalid={trouble !== undefined}
          aria-describedby={note ? noteId : undefined}
          value={text}
          inputMode="text"
          onChange={(e) => setText(e.target.value)}
          onBlur={() => text !== taken.current && take(text)}
          onKeyDown={(e) => {
            if (e.key === "Enter") take(text);
            else if (e.key === "ArrowUp") step(e.shiftKey ? 10 : 1);
            else if (e.key === "ArrowDown") step(e.shiftKey ? -10 : -1);
            else if (e.key === "Escape") {
              setText(shown);
              setTrouble(undefined);
            } else return;
            if (e.key.startsWith("Arrow")) e.preventDefault();
          }}
          pr="8"
          title={formatLength(mm, unit, ppi)}
        />
        <span className={css.unit} aria-hidden>
          {unit}
        </span>
      </div>
      {note && (
        <p id={noteId} role={trouble ? "alert" : undefined} className={trouble ? css.trouble : css.help}>
          {note}
        </p>
      )}
    </div>
  );
}

/** The look of every field that takes a number. */
export const NumberBox = chakra("input", {
  base: {
    w: "full",
    h: "9",
    px: "2.5",
    bg: "oat.25",
    borderWidth: "1px",
    borderColor: "oat.400",
    borderRadius: "soft",
    fontVariantNumeric: "tabular-nums",
    _hover: { borderColor: "oat.500" },
    _focus: { borderColor: "glaze.500", outline: "1px solid {colors.glaze.500}" },
    _invalid: { borderColor: "clay.500" },
    _placeholder: { color: "ink.500" },
  },
});
