import { Grid, VStack } from "@chakra-ui/react";
import type { BookRules, LabCard } from "#core/lab";
import { labs as words } from "../../../text/index.ts";
import { Checkbox } from "../../components/checkbox.tsx";
import { FieldLabel } from "../../components/field-label.tsx";
import { DropRow, freeId, OneMore } from "../../components/list-rows.tsx";
import { NumberField } from "../../components/number-field.tsx";
import { Select } from "../../components/select.tsx";
import { TextField } from "../../components/text-field.tsx";
import { CardLength } from "./card-length.tsx";
import { firstCover, LabCovers } from "./lab-covers.tsx";

/** Rules that many labs have, to change from. */
export const plainBook: BookRules = {
  binding: "gutter",
  gutterMm: 8,
  pages: { least: 24, most: 120, step: 2 },
  firstOnRight: true,
  files: "pages",
  papers: [{ id: "paper-1", name: "Matt", leafMm: 0.2 }],
  covers: [firstCover],
};

const bindings = ["gutter", "layFlat"] as const;
const holds = ["pages", "spreads"] as const;

interface LabBookProps {
  readonly book: BookRules;
  readonly unit: LabCard["unit"];
  readonly onBook: (book: BookRules) => void;
}

/** What a lab wants of a book: binding, pages, papers and covers. */
export function LabBook({ book, unit, onBook }: LabBookProps) {
  const set = (change: Partial<BookRules>) => onBook({ ...book, ...change });
  const pages = (change: Partial<BookRules["pages"]>) => set({ pages: { ...book.pages, ...change } });
  const count = (label: string, key: "least" | "most" | "step", least: number, most: number) => (
    <NumberField
      label={label}
      value={book.pages[key]}
      least={least}
      most={most}
      step={key === "step" ? 1 : book.pages.step}
      onNumber={(n) => pages({ [key]: Math.round(n) })}
    />
  );
  return (
    <VStack align="stretch" gap="4">
      <Grid templateColumns="1fr 1fr 1fr" gap="4">
        <FieldLabel label={words.binding}>
          <Select
            label={words.binding}
            value={book.binding}
            options={bindings.map((b) => [b, words.bindings[b]] as const)}
            onChoose={(binding) => set(binding === "layFlat" ? { binding, gutterMm: 0 } : { binding })}
          />
        </FieldLabel>
        {book.binding === "gutter" && (
          <CardLength
            label={words.gutter}
            help={words.gutterHelp}
            mm={book.gutterMm}
            unit={unit}
            least={0}
            most={40}
            onMm={(gutterMm) => set({ gutterMm })}
          />
        )}
        <FieldLabel label={words.holds}>
          <Select
            label={words.holds}
            value={book.files}
            options={holds.map((h) => [h, words.holdsWhat[h]] as const)}
            onChoose={(files) => set({ files })}
          />
        </FieldLabel>
      </Grid>
      <Grid templateColumns="1fr 1fr 1fr" gap="4">
        {count(words.least, "least", 2, 1000)}
        {count(words.most, "most", 2, 1000)}
        {count(words.step, "step", 1, 100)}
      </Grid>
      <Checkbox label={words.firstOnRight} on={book.firstOnRight} onToggle={(firstOnRight) => set({ firstOnRight })} />
      {book.papers.map((p, i) => (
        <Grid key={p.id} templateColumns="1fr 1fr auto 1fr" gap="4" alignItems="end">
          <TextField
            label={words.paper}
            value={p.name}
            maxLength={60}
            onChange={(e) => set({ papers: book.papers.with(i, { ...p, name: e.target.value }) })}
          />
          <CardLength
            label={words.leaf}
            mm={p.leafMm}
            unit="mm"
            least={0.02}
            most={5}
            onMm={(leafMm) => set({ papers: book.papers.with(i, { ...p, leafMm }) })}
          />
          <DropRow
            label={words.without(p.name)}
            last={book.papers.length === 1}
            onDrop={() => set({ papers: book.papers.filter((_, k) => k !== i) })}
          />
        </Grid>
      ))}
      <OneMore
        label={words.addPaper}
        onMore={() =>
          set({ papers: [...book.papers, { id: freeId(book.papers, "paper"), name: words.paper, leafMm: 0.2 }] })
        }
      />
      <LabCovers covers={book.covers} unit={unit} mostPages={book.pages.most} onCovers={(covers) => set({ covers })} />
    </VStack>
  );
}
