import { Box, Grid } from "@chakra-ui/react";
import { type LabCard, unknownWanderMm } from "#core/lab";
import { labs as words } from "../../../text/index.ts";
import { FieldLabel } from "../../components/field-label.tsx";
import { Select } from "../../components/select.tsx";
import { TextField } from "../../components/text-field.tsx";
import { CardLength } from "./card-length.tsx";
import { LabBook, plainBook } from "./lab-book.tsx";
import { LabFiles } from "./lab-files.tsx";
import { type LabFormProps, Part } from "./lab-part.tsx";
import { LabSizes } from "./lab-sizes.tsx";

const kinds = ["prints", "collage", "posters", "book"] as const;
const units = ["mm", "cm", "in"] as const;

/** Every number of a lab card, each with what it means on paper. */
export function LabForm({ card, onCard }: LabFormProps) {
  const set = (change: Partial<LabCard>) => onCard({ ...card, ...change });
  const length = (label: string, help: string, key: "bleedMm" | "lossMm" | "safeMm" | "cutWanderMm", most: number) => (
    <CardLength
      label={label}
      help={help}
      mm={card[key] ?? unknownWanderMm}
      unit={card.unit}
      least={0}
      most={most}
      onMm={(mm) => set({ [key]: mm })}
    />
  );
  return (
    <Box maxW="720px">
      <Grid templateColumns="1fr 1fr" gap="4">
        <TextField
          label={words.name}
          value={card.name}
          maxLength={60}
          onChange={(e) => set({ name: e.target.value })}
        />
        <TextField
          label={words.about}
          value={card.about}
          maxLength={240}
          onChange={(e) => set({ about: e.target.value })}
        />
      </Grid>
      <Grid templateColumns="1fr 1fr 1fr" gap="4" mt="4">
        <FieldLabel label={words.kind}>
          <Select
            label={words.kind}
            value={card.kind}
            options={kinds.map((k) => [k, words.kinds[k]] as const)}
            onChoose={(kind) => {
              const { book, ...rest } = card;
              onCard(kind === "book" ? { ...rest, kind, book: book ?? plainBook } : { ...rest, kind });
            }}
          />
        </FieldLabel>
        <FieldLabel label={words.unit}>
          <Select
            label={words.unit}
            value={card.unit}
            options={units.map((u) => [u, words.units[u]] as const)}
            onChoose={(unit) => set({ unit })}
          />
        </FieldLabel>
        <TextField
          label={words.currency}
          value={card.currency ?? ""}
          maxLength={3}
          onChange={(e) => {
            const { currency: _, ...rest } = card;
            const typed = e.target.value.toUpperCase().replace(/[^A-Z]/g, "");
            onCard(typed === "" ? rest : { ...rest, currency: typed });
          }}
        />
      </Grid>
      <Part title={words.sections.paper}>
        <Grid templateColumns="repeat(4, 1fr)" gap="4">
          {length(words.bleed, words.bleedHelp, "bleedMm", 25)}
          {length(words.loss, words.lossHelp, "lossMm", 10)}
          {length(words.safe, words.safeHelp, "safeMm", 50)}
          {length(words.wander, words.wanderHelp, "cutWanderMm", 25)}
        </Grid>
      </Part>
      <LabFiles card={card} onCard={onCard} />
      <Part title={words.sections.sizes}>
        <LabSizes card={card} onSizes={(sizes) => set({ sizes })} />
      </Part>
      {card.book && (
        <Part title={words.sections.book}>
          <LabBook book={card.book} unit={card.unit} onBook={(book) => set({ book })} />
        </Part>
      )}
    </Box>
  );
}
