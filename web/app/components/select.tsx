import { NativeSelect } from "@chakra-ui/react";

interface SelectProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [value: T, words: string])[];
  readonly onChoose: (value: T) => void;
}

/** One of a few. */
export function Select<T extends string>({ label, value, options, onChoose }: SelectProps<T>) {
  return (
    <NativeSelect.Root size="sm">
      <NativeSelect.Field
        aria-label={label}
        value={value}
        onChange={(e) => onChoose(e.currentTarget.value as T)}
        h="9"
        bg="oat.25"
        borderColor="oat.400"
        borderRadius="soft"
      >
        {options.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator color="ink.700" />
    </NativeSelect.Root>
  );
}
