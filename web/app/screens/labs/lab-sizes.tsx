import { Box, Grid, VStack } from "@chakra-ui/react";
import type { LabCard, PrintSize } from "#core/lab";
import { formatSize } from "#core/units";
import { labs as words } from "../../../text/index.ts";
import { Checkbox } from "../../components/checkbox.tsx";
import { DropRow, freeId, OneMore } from "../../components/list-rows.tsx";
import { NumberField } from "../../components/number-field.tsx";
import { TextField } from "../../components/text-field.tsx";
import { CardLength } from "./card-length.tsx";

interface LabSizesProps {
  readonly card: LabCard;
  readonly onSizes: (sizes: LabCard["sizes"]) => void;
}

/** The sizes that a lab takes, with what one costs. */
export function LabSizes({ card, onSizes }: LabSizesProps) {
  const { sizes, unit } = card;
  const put = (i: number, change: Partial<PrintSize>) => {
    const next = { ...sizes[i]!, ...change };
    // A size that was named by its measures goes on being so.
    const before = sizes[i]!;
    const measured = formatSize(before.widthMm, before.heightMm, unit, 300);
    const named =
      before.name === measured
        ? { ...next, name: change.name ?? formatSize(next.widthMm, next.heightMm, unit, 300) }
        : next;
    onSizes(sizes.with(i, named));
  };
  return (
    <VStack align="stretch" gap="4">
      {sizes.map((s, i) => (
        <Grid
          key={s.id}
          role="group"
          aria-label={s.name}
          templateColumns="1.6fr 1fr 1fr 0.8fr auto auto"
          gap="3"
          alignItems="end"
        >
          <TextField
            label={words.sizeName}
            value={s.name}
            maxLength={60}
            onChange={(e) => put(i, { name: e.target.value })}
          />
          <CardLength
            label={words.width}
            mm={s.widthMm}
            unit={unit}
            least={20}
            most={3000}
            onMm={(widthMm) => put(i, { widthMm })}
          />
          <CardLength
            label={words.height}
            mm={s.heightMm}
            unit={unit}
            least={20}
            most={3000}
            onMm={(heightMm) => put(i, { heightMm })}
          />
          <NumberField
            label={words.price}
            value={s.price ?? 0}
            least={0}
            most={100_000}
            step={0.1}
            onNumber={(price) => put(i, { price })}
          />
          <Box pb="2">
            <Checkbox label={words.turns} on={s.turns} onToggle={(turns) => put(i, { turns })} />
          </Box>
          <DropRow
            label={words.without(s.name)}
            last={sizes.length === 1}
            onDrop={() => onSizes(sizes.filter((_, k) => k !== i))}
          />
        </Grid>
      ))}
      <OneMore
        label={words.addSize}
        onMore={() =>
          onSizes([
            ...sizes,
            {
              id: freeId(sizes, "size"),
              name: formatSize(200, 300, unit, 300),
              widthMm: 200,
              heightMm: 300,
              turns: true,
            },
          ])
        }
      />
    </VStack>
  );
}
