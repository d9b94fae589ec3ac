import css from "./fields.module.css";

interface TickProps {
  readonly label: string;
  readonly on: boolean;
  readonly onTick: (on: boolean) => void;
}

/** Something that holds or does not. */
export function Tick({ label, on, onTick }: TickProps) {
  return (
    <label className={css.tick}>
      <input type="checkbox" checked={on} onChange={(e) => onTick(e.target.checked)} />
      {label}
    </label>
  );
}
