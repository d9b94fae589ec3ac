import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { CircleCheck, Scissors } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { type PrintSheets, placedItems, type SheetPlan } from "#core/sheets";
import { formatSize } from "#core/units";
import { common, formats, sheetTrouble, sheets as words } from "../../../text/index.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import { ProgressBar } from "../../components/progress-bar.tsx";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { fillLeftOver, isPacked, packNow } from "../../state/sheets/print-sheets.ts";

/** Starts the packing, says how far it is, and what it came to. */
export function Packer({ sheets }: { readonly sheets: PrintSheets }) {
  const services = useServices();
  const session = useSession();
  const unit = useProject((s) => s.project.unit);
  const ppi = useProject((s) => s.project.format.ppi);
  const [soFar, setSoFar] = useState<{ readonly share: number; readonly plan: SheetPlan | undefined }>();
  const [trouble, setTrouble] = useState<string>();
  const stop = useRef<AbortController>(undefined);
  useEffect(() => () => stop.current?.abort(), []);
  const { plan, stock, wants } = sheets;
  const packed = isPacked(sheets);

  async function pack() {
    stop.current = new AbortController();
    setTrouble(undefined);
    setSoFar({ share: 0, plan: undefined });
    try {
      const { signal } = stop.current;
      await packNow(services, session, { signal, onSoFar: (share, now) => setSoFar({ share, plan: now }) });
    } catch (e) {
      const code = e instanceof WorkerError ? e.code : "";
      if (code !== "cancelled") setTrouble(said(code, e));
    } finally {
      setSoFar(undefined);
    }
  }
  function said(code: string, e: unknown): string {
    let facts: Record<string, unknown> = {};
    try {
      facts = JSON.parse((e as Error).message) as Record<string, unknown>;
    } catch {
      // A failure of another kind has words of its own.
    }
    const [w, h] = [Number(facts.widthMm ?? 0), Number(facts.heightMm ?? 0)];
    return sheetTrouble(code, facts, formatSize(w, h, unit, ppi));
  }
  const costOf = (p: SheetPlan) =>
    p.cost > 0 ? words.costIs(formats.money(p.cost, stock?.kind === "lab" ? stock.card.currency : undefined)) : "";

  if (soFar) {
    const percent = Math.round(soFar.share * 100);
    return (
      <Box mb="6">
        <Text fontWeight="600" role="status" fontVariantNumeric="tabular-nums">
          {words.packing(percent)}
        </Text>
        {soFar.plan && (
          <Text fontSize="14px" color="fg.muted" fontVariantNumeric="tabular-nums">
            {words.soFar(soFar.plan.sheets.length, costOf(soFar.plan))}
          </Text>
        )}
        <Box my="3">
          <ProgressBar label={words.pack} value={percent} />
        </Box>
        <Button variant="outline" onClick={() => stop.current?.abort()}>
          {common.stop}
        </Button>
      </Box>
    );
  }
  return (
    <Box mb="6">
      {plan && packed && (
        <Box bg="moss.100" color="moss.700" borderRadius="soft" px="4" py="3" mb="3" role="status" data-testid="packed">
          <HStack fontWeight="600" fontVariantNumeric="tabular-nums">
            <CircleCheck size={19} aria-hidden style={{ flexShrink: 0 }} />
            {words.cost(plan.sheets.length, costOf(plan))}
          </HStack>
          <Text fontSize="14px" mt="1">
            {words.used(usedPercent(plan))}
            {plan.proven ? `. ${words.proven}` : ""}
          </Text>
        </Box>
      )}
      {plan && !packed && (
        <Text
          role="status"
          bg="saffron.100"
          color="saffron.700"
          borderRadius="soft"
          px="4"
          py="2.5"
          mb="3"
          fontSize="14.5px"
        >
          {words.changed}
        </Text>
      )}
      <Button w="full" size={packed ? "md" : "lg"} variant={packed ? "outline" : "solid"} onClick={() => void pack()}>
        <Scissors size={18} aria-hidden /> {plan ? words.packAgain : words.pack}
      </Button>
      {packed && wants.some((w) => w.fills) && (
        <Button
          w="full"
          mt="2"
          variant="outline"
          onClick={() => notices.create({ title: words.filled(fillLeftOver(session)), type: "info" })}
        >
          {words.fill}
        </Button>
      )}
      {trouble && (
        <Text role="alert" mt="3" color="clay.600" fontWeight="500">
          {trouble}
        </Text>
      )}
    </Box>
  );
}

/** Of the paper's area, what the cards take. */
function usedPercent(plan: SheetPlan): number {
  let [used, all] = [0, 0];
  for (const { widthMm, heightMm, cutting } of plan.sheets) {
    all += widthMm * heightMm;
    for (const { w, h } of placedItems(cutting)) used += w * h;
  }
  return all > 0 ? Math.min(100, Math.round((100 * used) / all)) : 0;
}
