import { type InputHTMLAttributes, useId } from "react";
import css from "./fields.module.css";
import { NumberBox } from "./length-field.tsx";

interface TextFieldProps extends Omit<InputHTMLAttributes<HTMLInputElement>, "color" | "height" | "width" | "size"> {
  readonly label: string;
  readonly hideLabel?: boolean;
}

/** One line to type in, under its name. */
export function TextField({ label, hideLabel = false, ...input }: TextFieldProps) {
  const id = useId();
  return (
    <div className={css.field}>
      <label htmlFor={id} className={hideLabel ? css.unseen : css.label}>
        {label}
      </label>
      <NumberBox id={id} {...input} />
    </div>
  );
}
