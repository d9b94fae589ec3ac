import css from "./fields.module.css";

interface CheckboxProps {
  readonly label: string;
  readonly on: boolean;
  readonly onToggle: (on: boolean) => void;
}

/** Something that holds or does not. */
export function Checkbox({ label, on, onToggle }: CheckboxProps) {
  return (
    <label className={css.tick}>
      <input type="checkbox" checked={on} onChange={(e) => onToggle(e.target.checked)} />
      {label}
    </label>
  );
}
