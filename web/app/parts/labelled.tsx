import { Field } from "@chakra-ui/react";
import type { InputHTMLAttributes } from "react";
import { NumberBox } from "./length-field.tsx";

interface LabelledProps extends Omit<InputHTMLAttributes<HTMLInputElement>, "color" | "height" | "width" | "size"> {
  readonly label: string;
}

/** One line to type in, under its name. */
export function Labelled({ label, ...input }: LabelledProps) {
  return (
    <Field.Root gap="1">
      <Field.Label fontSize="14px" fontWeight="500" color="fg.muted">
        {label}
      </Field.Label>
      <Field.Context>{(field) => <NumberBox {...field.getInputProps()} {...input} />}</Field.Context>
    </Field.Root>
  );
}
