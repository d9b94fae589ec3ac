import { useEffect, useRef } from "react";
import css from "./notes.module.css";

interface NoteTextProps {
  readonly label: string;
  readonly placeholder?: string;
  readonly value: string;
  readonly rows?: number;
  readonly onType: (text: string) => void;
  /** By Ctrl and Enter. */
  readonly onKeep: () => void;
}

const mostLetters = 4000;

/** What is said, over as many lines as it takes. */
export function NoteText({ label, placeholder, value, rows = 4, onType, onKeep }: NoteTextProps) {
  const field = useRef<HTMLTextAreaElement>(null);
  useEffect(() => field.current?.focus({ preventScroll: true }), []);
  return (
    <textarea
      ref={field}
      className={css.field}
      aria-label={label}
      placeholder={placeholder}
      rows={rows}
      maxLength={mostLetters}
      value={value}
      onChange={(e) => onType(e.target.value)}
      onKeyDown={(e) => {
        if (e.key === "Enter" && (e.ctrlKey || e.metaKey)) onKeep();
      }}
    />
  );
}
