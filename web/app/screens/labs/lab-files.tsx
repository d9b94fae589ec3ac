import { Box, Grid, Text } from "@chakra-ui/react";
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
import { type LabFormProps, Part } from "./lab-part.tsx";

const fileKinds = ["jpeg", "png", "tiff"] as const;
const colours = ["srgb", "displayP3"] as const;

/** What a lab wants of a file, and the limits that it sets. */
export function LabFiles({ card, onCard }: LabFormProps) {
  const set = (change: Partial<LabCard>) => onCard({ ...card, ...change });
  const file = (change: Partial<LabCard["file"]>) => set({ file: { ...card.file, ...change } });
  const size = card.sizes[0];
  const [example = ""] = fileNames(
    card.file.name || "{page}",
    [3, 4].map((page) => ({ project: "A year aboard", size: size?.name ?? "", page, pages: 40 })),
    endingOf(card.file.kind),
    card.file.mostNameLength,
  );
  return (
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
