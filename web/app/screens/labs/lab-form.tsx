import { Box, Grid, Heading, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { type TiffPacking, tiffPackings } from "#core/files";
import { fileNames, type LabCard, labRuleNames, labRules } from "#core/lab";
import { paperKinds } from "#core/pixels";
import { labs as words } from "../../../text/index.ts";
import { Checkbox } from "../../components/checkbox.tsx";
import { FieldLabel } from "../../components/field-label.tsx";
import { NumberField } from "../../components/number-field.tsx";
import { Select } from "../../components/select.tsx";
import { TextField } from "../../components/text-field.tsx";
import { endingOf } from "../../state/sending/file-options.ts";
import { CardLength } from "./card-length.tsx";
import { LabBook, plainBook } from "./lab-book.tsx";
import { LabSizes } from "./lab-sizes.tsx";

interface LabFormProps {
  readonly card: LabCard;
  readonly onCard: (card: LabCard) => void;
}

const kinds = ["prints", "collage", "posters", "book"] as const;
const units = ["mm", "cm", "in"] as const;
const fileKinds = ["jpeg", "png", "tiff"] as const;
const colours = ["srgb", "displayP3"] as const;

/** Every number of a lab card, each with what it means on paper. */
export function LabForm({ card, onCard }: LabFormProps) {
  const set = (change: Partial<LabCard>) => onCard({ ...card, ...change });
  const file = (change: Partial<LabCard["file"]>) => set({ file: { ...card.file, ...change } });
  const length = (label: string, help: string, key: "bleedMm" | "lossMm" | "safeMm", most: number) => (
    <CardLength
      label={label}
      help={help}
      mm={card[key]}
      unit={card.unit}
      least={0}
      most={most}
      onMm={(mm) => set({ [key]: mm })}
    />
  );
  const size = card.sizes[0];
  const [example = ""] = fileNames(
    card.file.name || "{page}",
    [3, 4].map((page) => ({ project: "A year aboard", size: size?.name ?? "", page, pages: 40 })),
    endingOf(card.file.kind),
    card.file.mostNameLength,
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
        <Grid templateColumns="1fr 1fr 1fr" gap="4">
          {length(words.bleed, words.bleedHelp, "bleedMm", 25)}
          {length(words.loss, words.lossHelp, "lossMm", 10)}
          {length(words.safe, words.safeHelp, "safeMm", 50)}
        </Grid>
      </Part>
      <Part title={words.sections.file}>
        <Grid templateColumns="1fr 1fr 1fr" gap="4">
          <NumberField
            label={words.ppi}
            value={card.ppi.wanted}
            least={72}
            most={1200}
            step={10}
            onNumber={(wanted) => set({ ppi: { ...card.ppi, wanted } })}
          />
          <NumberField
            label={words.leastPpi}
            value={card.ppi.least}
            least={36}
            most={1200}
            step={10}
            onNumber={(least) => set({ ppi: { ...card.ppi, least } })}
          />
          <Text fontSize="13.5px" color="fg.muted" alignSelf="end" pb="2">
            {words.ppiHelp}
          </Text>
          <FieldLabel label={words.fileKind}>
            <Select
              label={words.fileKind}
              value={card.file.kind}
              options={fileKinds.map((k) => [k, words.fileKinds[k]] as const)}
              onChoose={(kind) => file({ kind })}
            />
          </FieldLabel>
          <FieldLabel label={words.colour}>
            <Select
              label={words.colour}
              value={card.file.colour}
              options={colours.map((c) => [c, words.colours[c]] as const)}
              onChoose={(colour) => file({ colour })}
            />
          </FieldLabel>
          <NumberField
            label={words.quality}
            value={Math.round(card.file.quality * 100)}
            least={50}
            most={100}
            step={1}
            onNumber={(n) => file({ quality: n / 100 })}
          />
        </Grid>
        <Box mt="4">
          <TextField
            label={words.pattern}
            value={card.file.name}
            maxLength={120}
            onChange={(e) => file({ name: e.target.value })}
          />
          <Text fontSize="13.5px" color="fg.muted" mt="2">
            {words.patternHelp(example)}
          </Text>
        </Box>
        <Grid templateColumns="1fr 1fr 1fr" gap="4" mt="4">
          {labRuleNames.map((name) => (
            <Limit
              key={name}
              label={words.rules[name]}
              value={card.file[name]}
              onLimit={(n) => {
                const { [name]: _, ...rest } = card.file;
                set({ file: n === undefined ? rest : { ...rest, [name]: labRules[name].whole ? Math.round(n) : n } });
              }}
            />
          ))}
        </Grid>
        <Grid templateColumns="1fr 1fr 1fr" gap="4" mt="4" alignItems="end">
          <FieldLabel label={words.paperKind}>
            <Select
              label={words.paperKind}
              value={card.paper ?? "mixed"}
              options={[["mixed", words.papers.mixed], ...paperKinds.map((p) => [p, words.papers[p]] as const)]}
              onChoose={(paper) => {
                const { paper: _, ...rest } = card;
                onCard(paper === "mixed" ? rest : { ...rest, paper });
              }}
            />
          </FieldLabel>
          <TextField
            label={words.press}
            value={card.file.press ?? ""}
            maxLength={60}
            onChange={(e) => {
              const { press: _, ...rest } = card.file;
              set({ file: e.target.value === "" ? rest : { ...rest, press: e.target.value } });
            }}
          />
          {card.file.kind === "tiff" && (
            <FieldLabel label={words.packing}>
              <Select<TiffPacking>
                label={words.packing}
                value={card.file.packing ?? "none"}
                options={tiffPackings.map((p) => [p, words.packings[p]])}
                onChoose={(packing) => file({ packing })}
              />
            </FieldLabel>
          )}
        </Grid>
        <Text fontSize="13.5px" color="fg.muted" mt="2" mb="3">
          {words.pressHelp}
        </Text>
        {card.file.kind === "tiff" && (
          <Checkbox label={words.deep} on={card.file.bits === 16} onToggle={(deep) => file({ bits: deep ? 16 : 8 })} />
        )}
        <Checkbox
          label={words.flattened}
          on={card.file.flattened ?? false}
          onToggle={(flattened) => file({ flattened })}
        />
      </Part>
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

function Part({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <Box as="section" aria-label={title} mt="7" pt="5" borderTopWidth="1px" borderColor="oat.200">
      <Heading as="h2" fontSize="19px" fontWeight="540" mb="3">
        {title}
      </Heading>
      {children}
    </Box>
  );
}

interface LimitProps {
  readonly label: string;
  readonly value: number | undefined;
  readonly onLimit: (value: number | undefined) => void;
}

/** A number that may be missing: then there is no limit. */
function Limit({ label, value, onLimit }: LimitProps) {
  return (
    <TextField
      label={label}
      inputMode="decimal"
      placeholder={words.noLimit}
      value={value ?? ""}
      onChange={(e) => {
        const typed = e.target.value.replace(",", ".").replace(/[^\d.]/g, "");
        const n = Number(typed);
        onLimit(typed === "" || !(n > 0) ? undefined : n);
      }}
    />
  );
}
