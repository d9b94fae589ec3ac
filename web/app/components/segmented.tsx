import { SegmentGroup } from "@chakra-ui/react";

interface SegmentedProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [value: T, words: string])[];
  readonly onChoose: (value: T) => void;
  /** Many choices in a narrow place. */
  readonly tight?: boolean;
}

/** A few choices side by side, one of which holds. */
export function Segmented<T extends string>({ label, value, options, onChoose, tight = false }: SegmentedProps<T>) {
  return (
    <SegmentGroup.Root
      size="sm"
      bg="oat.200"
      borderRadius="soft"
      aria-label={label}
      value={value}
      onValueChange={(e) => e.value && onChoose(e.value as T)}
    >
      <SegmentGroup.Indicator bg="oat.25" borderRadius="soft" boxShadow="card" />
      <SegmentGroup.Items
        {...(tight ? { px: "2" } : {})}
        items={options.map(([v, words]) => ({ value: v, label: words }))}
      />
    </SegmentGroup.Root>
  );
}
