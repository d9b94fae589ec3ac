import { Grid, VStack } from "@chakra-ui/react";
import type { BookCover, LabCard } from "#core/lab";
import { labs as words } from "../../../text/index.ts";
import { FieldLabel } from "../../components/field-label.tsx";
import { DropRow, freeId, OneMore } from "../../components/list-rows.tsx";
import { NumberField } from "../../components/number-field.tsx";
import { Select } from "../../components/select.tsx";
import { TextField } from "../../components/text-field.tsx";
import { CardLength } from "./card-length.tsx";

const plainCover: Omit<BookCover, "id"> = {
  name: "Hard cover",
  overhangMm: 3,
  wrapMm: 15,
  flapMm: 0,
  spine: { kind: "leaves", baseMm: 4 },
  leastForWordsMm: 8,
};
export const firstCover: BookCover = { id: "cover-1", ...plainCover };

interface LabCoversProps {
  readonly covers: readonly BookCover[];
  readonly unit: LabCard["unit"];
  /** As many as the lab binds: so far a spine's table has to reach. */
  readonly mostPages: number;
  readonly onCovers: (covers: readonly BookCover[]) => void;
}

/** The covers that a lab puts on its books, each with how its spine is found. */
export function LabCovers({ covers, unit, mostPages, onCovers }: LabCoversProps) {
  return (
    <VStack align="stretch" gap="5">
      {covers.map((c, i) => (
        <CoverFields
          key={c.id}
          cover={c}
          unit={unit}
          mostPages={mostPages}
          last={covers.length === 1}
          onCover={(next) => onCovers(covers.with(i, next))}
          onDrop={() => onCovers(covers.filter((_, k) => k !== i))}
        />
      ))}
      <OneMore
        label={words.addCover}
        onMore={() => onCovers([...covers, { ...plainCover, id: freeId(covers, "cover") }])}
      />
    </VStack>
  );
}

interface CoverFieldsProps {
  readonly cover: BookCover;
  readonly unit: LabCard["unit"];
  readonly mostPages: number;
  readonly last: boolean;
  readonly onCover: (cover: BookCover) => void;
  readonly onDrop: () => void;
}

const spineKinds = ["leaves", "table"] as const;

function CoverFields({ cover, unit, mostPages, last, onCover, onDrop }: CoverFieldsProps) {
  const length = (label: string, key: "overhangMm" | "wrapMm" | "flapMm" | "leastForWordsMm", most: number) => (
    <CardLength
      label={label}
      mm={cover[key]}
      unit={unit}
      least={0}
      most={most}
      onMm={(mm) => onCover({ ...cover, [key]: mm })}
    />
  );
  const { spine } = cover;
  return (
    <VStack
      as="fieldset"
      align="stretch"
      gap="4"
      pt="5"
      borderTopWidth="1px"
      borderColor="oat.200"
      aria-label={`${words.cover}: ${cover.name}`}
    >
      <Grid templateColumns="1fr 1fr 1fr auto" gap="4" alignItems="end">
        <TextField
          label={words.cover}
          value={cover.name}
          maxLength={60}
          onChange={(e) => onCover({ ...cover, name: e.target.value })}
        />
        {length(words.overhang, "overhangMm", 10)}
        {length(words.wrap, "wrapMm", 40)}
        <DropRow label={words.without(cover.name)} last={last} onDrop={onDrop} />
      </Grid>
      <Grid templateColumns="1fr 1fr 1fr 32px" gap="4" alignItems="end">
        {length(words.flap, "flapMm", 200)}
        {length(words.wordsFrom, "leastForWordsMm", 60)}
        <FieldLabel label={words.spine}>
          <Select
            label={words.spine}
            value={spine.kind}
            options={spineKinds.map((k) => [k, words.spines[k]] as const)}
            onChoose={(kind) =>
              onCover({
                ...cover,
                spine:
                  kind === "leaves"
                    ? { kind, baseMm: 4 }
                    : { kind, rows: [{ upToPages: mostPages, mm: Math.max(1, Math.ceil(mostPages / 10)) }] },
              })
            }
          />
        </FieldLabel>
      </Grid>
      {spine.kind === "leaves" ? (
        <Grid templateColumns="1fr 1fr 1fr 32px" gap="4">
          <CardLength
            label={words.spineBase}
            mm={spine.baseMm}
            unit={unit}
            least={0}
            most={50}
            onMm={(baseMm) => onCover({ ...cover, spine: { ...spine, baseMm } })}
          />
        </Grid>
      ) : (
        <SpineTable rows={spine.rows} unit={unit} onRows={(rows) => onCover({ ...cover, spine: { ...spine, rows } })} />
      )}
    </VStack>
  );
}

type SpineRow = Extract<BookCover["spine"], { kind: "table" }>["rows"][number];

interface SpineTableProps {
  readonly rows: readonly SpineRow[];
  readonly unit: LabCard["unit"];
  readonly onRows: (rows: readonly SpineRow[]) => void;
}

const mostRows = 100;

/** How wide the spine is up to so many pages, as labs print it. */
function SpineTable({ rows, unit, onRows }: SpineTableProps) {
  const end = rows.at(-1)!;
  return (
    <VStack align="stretch" gap="3">
      {rows.map((r, i) => (
        <Grid
          // biome-ignore lint/suspicious/noArrayIndexKey: a row is what stands in its place
          key={i}
          role="group"
          aria-label={words.row(i + 1)}
          templateColumns="1fr 1fr auto 1fr"
          gap="4"
          alignItems="end"
        >
          <NumberField
            label={words.upTo}
            value={r.upToPages}
            least={1}
            most={2000}
            step={2}
            onNumber={(n) => onRows(rows.with(i, { ...r, upToPages: Math.round(n) }))}
          />
          <CardLength
            label={words.spineWide}
            mm={r.mm}
            unit={unit}
            least={0}
            most={120}
            onMm={(mm) => onRows(rows.with(i, { ...r, mm }))}
          />
          <DropRow
            label={words.without(words.row(i + 1))}
            last={rows.length === 1}
            onDrop={() => onRows(rows.filter((_, k) => k !== i))}
          />
        </Grid>
      ))}
      {rows.length < mostRows && (
        <OneMore
          label={words.addRow}
          onMore={() =>
            onRows([...rows, { upToPages: Math.min(2000, end.upToPages + 20), mm: Math.min(120, end.mm + 2) }])
          }
        />
      )}
    </VStack>
  );
}
