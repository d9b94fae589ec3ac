import { Box, Grid, Text, VStack } from "@chakra-ui/react";
import type { Stock } from "#core/sheets";
import { formatLength } from "#core/units";
import { formats, sheets as words } from "../../../text/index.ts";
import { Checkbox } from "../../components/checkbox.tsx";
import { LengthField } from "../../components/length-field.tsx";
import { NumberField } from "../../components/number-field.tsx";
import { PanelSection } from "../../components/panel-parts.tsx";
import { Select } from "../../components/select.tsx";
import { useLabs } from "../../state/sending/use-labs.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { changeSheets, fromLab, ownPrinter, ownRoll } from "../../state/sheets/print-sheets.ts";
import { TestPrint } from "./test-print.tsx";

/** What it is printed on: a lab's prints with their prices, one's own printer, or a roll. */
export function StockPanel({ stock }: { readonly stock: Stock | null }) {
  const session = useSession();
  const labs = useLabs();
  const cards = (labs.data ?? []).filter((c) => c.kind !== "book");
  // What was measured was measured of the paper and the printer before.
  const set = (next: Stock | null) =>
    changeSheets(session, { stock: next, ...(samePrinter(stock, next) ? {} : { printsAt: 1 }) });
  const printing = cards.find((c) => c.kind === "prints") ?? cards[0];
  return (
    <PanelSection title={words.on}>
      <Select
        label={words.on}
        value={stock?.kind ?? "none"}
        options={[
          ...(stock ? [] : [["none", "\u2013"] as const]),
          ...(printing || stock?.kind === "lab" ? [["lab", words.stocks.lab] as const] : []),
          ["printer", words.stocks.printer],
          ["roll", words.stocks.roll],
        ]}
        onChoose={(kind) => {
          if (kind === "lab" && printing) set(fromLab(printing));
          if (kind === "printer") set(ownPrinter);
          if (kind === "roll") set(ownRoll);
        }}
      />
      <Box mt="3">
        {stock?.kind === "lab" && <LabStock stock={stock} cards={cards} onStock={set} />}
        {stock?.kind === "printer" && <PrinterStock stock={stock} onStock={set} />}
        {stock?.kind === "roll" && <RollStock stock={stock} onStock={set} />}
      </Box>
      {stock && <TestPrint />}
    </PanelSection>
  );
}

const samePrinter = (a: Stock | null, b: Stock | null): boolean =>
  a?.kind === b?.kind && (a?.kind !== "lab" || b?.kind !== "lab" || a.card.id === b.card.id);

type Of<K extends Stock["kind"]> = Extract<Stock, { kind: K }>;
type LabCards = readonly Of<"lab">["card"][];

function LabStock({
  stock,
  cards,
  onStock,
}: {
  readonly stock: Of<"lab">;
  readonly cards: LabCards;
  readonly onStock: (stock: Stock | null) => void;
}) {
  const { card, sizeIds } = stock;
  const unit = useProject((s) => s.project.unit);
  const all = cards.some((c) => c.id === card.id) ? cards : [card, ...cards];
  return (
    <>
      <Select
        label={words.lab}
        value={card.id}
        options={all.map((c) => [c.id, c.name] as const)}
        onChoose={(id) => onStock(fromLab(all.find((c) => c.id === id)!))}
      />
      {(card.lossMm > 0 || card.bleedMm > 0) && (
        <Text fontSize="13.5px" color="fg.muted" mt="2">
          {card.lossMm > 0
            ? words.loses(formatLength(card.lossMm, unit, 300))
            : words.cutsAway(formatLength(card.bleedMm, unit, 300))}
        </Text>
      )}
      <VStack align="stretch" gap="1" mt="3">
        {card.sizes.map((s) => (
          <Grid key={s.id} templateColumns="1fr auto" alignItems="center">
            <Checkbox
              label={s.name}
              on={sizeIds.includes(s.id)}
              onToggle={(on) =>
                onStock({ ...stock, sizeIds: on ? [...sizeIds, s.id] : sizeIds.filter((id) => id !== s.id) })
              }
            />
            <Text fontSize="13.5px" color="fg.subtle" fontVariantNumeric="tabular-nums">
              {s.price === undefined ? words.noPrice : words.each(formats.money(s.price, card.currency))}
            </Text>
          </Grid>
        ))}
      </VStack>
    </>
  );
}

interface LengthsProps<T> {
  readonly stock: T;
  readonly onStock: (stock: T) => void;
  readonly fields: readonly (readonly [label: string, key: keyof T & string, least: number, most: number])[];
}

/** Lengths of a stock, each within bounds. */
function Lengths<T extends object>({ stock, onStock, fields }: LengthsProps<T>) {
  const unit = useProject((s) => s.project.unit);
  return fields.map(([label, key, least, most]) => (
    <LengthField
      key={key}
      label={label}
      mm={Number(stock[key])}
      unit={unit === "px" ? "mm" : unit}
      ppi={300}
      onMm={(mm) => (mm >= least && mm <= most ? void onStock({ ...stock, [key]: mm }) : `${least} \u2013 ${most} mm`)}
    />
  ));
}

function PrinterStock({ stock, onStock }: { readonly stock: Of<"printer">; readonly onStock: (stock: Stock) => void }) {
  return (
    <Grid templateColumns="1fr 1fr" gap="3">
      <Lengths
        stock={stock}
        onStock={onStock}
        fields={[
          [words.paperWidth, "widthMm", 20, 3000],
          [words.paperHeight, "heightMm", 20, 3000],
          [words.margin, "marginMm", 0, 200],
        ]}
      />
      <NumberField
        label={words.price}
        value={stock.price}
        least={0}
        most={10_000}
        step={0.1}
        onNumber={(price) => onStock({ ...stock, price })}
      />
      <NumberField
        label={words.ppi}
        value={stock.ppi}
        least={72}
        most={1200}
        step={10}
        onNumber={(ppi) => onStock({ ...stock, ppi })}
      />
    </Grid>
  );
}

function RollStock({ stock, onStock }: { readonly stock: Of<"roll">; readonly onStock: (stock: Stock) => void }) {
  return (
    <Grid templateColumns="1fr 1fr" gap="3">
      <Lengths
        stock={stock}
        onStock={onStock}
        fields={[
          [words.rollWidth, "widthMm", 20, 3000],
          [words.longest, "longestMm", 50, 20_000],
          [words.margin, "marginMm", 0, 200],
        ]}
      />
      <NumberField
        label={words.metre}
        value={stock.pricePerMetre}
        least={0}
        most={10_000}
        step={0.5}
        onNumber={(pricePerMetre) => onStock({ ...stock, pricePerMetre })}
      />
    </Grid>
  );
}
