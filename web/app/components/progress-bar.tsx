import css from "./progress-bar.module.css";

interface ProgressBarProps {
  readonly label: string;
  readonly value: number;
  readonly max?: number;
}

/** How far something has come. */
export const ProgressBar = ({ label, value, max = 100 }: ProgressBarProps) => (
  <progress className={css.bar} aria-label={label} value={Math.min(value, max)} max={max} />
);
