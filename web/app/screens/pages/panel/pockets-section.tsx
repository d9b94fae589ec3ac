import { Box, Button, HStack, Text, VStack } from "@chakra-ui/react";
import { FilePlus, Hash, PencilRuler } from "lucide-react";
import { useState } from "react";
import { sideOf } from "#core/document";
import { frontPattern } from "#core/edit";
import { shippedPatterns, type TypedPattern, typedPattern } from "#core/pockets";
import { formatLength } from "#core/units";
import { pockets as words } from "../../../../text/index.ts";
import { ConfirmDialog } from "../../../components/confirm-dialog.tsx";
import { CountField } from "../../../components/count-field.tsx";
import { LengthField } from "../../../components/length-field.tsx";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { Segmented } from "../../../components/segmented.tsx";
import { Select } from "../../../components/select.tsx";
import { TextField } from "../../../components/text-field.tsx";
import { Toggle } from "../../../components/toggle.tsx";
import { useServices } from "../../../services.ts";
import { addLeaf, addOwnPattern, choosePattern, drawOwn, keepDrawn, setPockets } from "../../../state/edit/pockets.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";

/** The pockets of the open leaf, what their cards measure, and what goes to print. */
export function PocketsSection() {
  const services = useServices();
  const session = useSession();
  const project = usePanel((s) => s.project);
  const page = usePanel(openPage);
  const [typing, setTyping] = useState(false);
  const { pockets, unit, format } = project;
  const pattern = frontPattern(project, page);
  if (!pockets || !pattern) return null;
  // Other pockets have to fit the same binder: the page does not change its size.
  const fitting = [...shippedPatterns, ...pockets.own].filter(
    (p) => Math.abs(p.widthMm - format.widthMm) < 12 && Math.abs(p.heightMm - format.heightMm) < 12,
  );
  const all = fitting.some((p) => p.id === pattern.id) ? fitting : [pattern, ...fitting];
  const length = (label: string, mm: number, most: number, set: (mm: number) => void) => (
    <LengthField
      label={label}
      mm={mm}
      unit={unit}
      ppi={format.ppi}
      onMm={(v) => {
        set(Math.min(most, v));
        return undefined;
      }}
    />
  );
  return (
    <PanelSection title={words.title}>
      <VStack align="stretch" gap="3">
        <Text fontSize="14px" color="fg.muted">
          {sideOf(project, page.id) === "left" ? words.back : words.front}
        </Text>
        <Select
          label={words.pattern}
          value={pattern.id}
          options={all.map((p) => [p.id, p.name])}
          onChoose={(id) => choosePattern(services, session, all.find((p) => p.id === id)!)}
        />
        <HStack gap="2" align="end">
          {length(words.less, pockets.cardClearanceMm, 20, (cardClearanceMm) =>
            setPockets(session, { cardClearanceMm }),
          )}
          {length(words.bleed, pockets.bleedMm, 25, (bleedMm) => setPockets(session, { bleedMm }))}
        </HStack>
        <Button size="sm" variant="outline" onClick={() => addLeaf(services, session)}>
          <FilePlus size={16} aria-hidden /> {words.addLeaf}
        </Button>
        <HStack gap="1" wrap="wrap">
          <Button size="sm" variant="ghost" onClick={() => drawOwn(services, session)}>
            <PencilRuler size={16} aria-hidden /> {words.drawOwn}
          </Button>
          <Button size="sm" variant="ghost" onClick={() => setTyping(true)}>
            <Hash size={16} aria-hidden /> {words.typeOwn}
          </Button>
        </HStack>
        <Box>
          <Text fontSize="14px" fontWeight="500" color="fg.muted" mb="1">
            {words.output}
          </Text>
          <Segmented
            label={words.output}
            value={pockets.output}
            options={[
              ["inserts", words.outputs.inserts],
              ["pages", words.outputs.pages],
            ]}
            onChoose={(output) => setPockets(session, { output })}
          />
        </Box>
        <Toggle label={words.welds} on={pockets.welds} onTurn={(welds) => setPockets(session, { welds })} />
      </VStack>
      {typing && <ByNumbers onClose={() => setTyping(false)} />}
    </PanelSection>
  );
}

/** While pockets are being drawn: how they become a pattern. */
export function KeepAsPockets() {
  const services = useServices();
  const session = useSession();
  return (
    <PanelSection title={words.drawOwn}>
      <Text fontSize="14px" color="fg.muted" mb="2">
        {words.drawLead}
      </Text>
      <Button w="full" onClick={() => keepDrawn(services, session, words.ownName)}>
        {words.keepDrawn}
      </Button>
    </PanelSection>
  );
}

const firstTyped: TypedPattern = {
  columns: 2,
  rows: 3,
  pocketWidthMm: 104,
  pocketHeightMm: 90,
  apartMm: 2,
  fromLeftMm: 14,
  fromTopMm: 3,
};

function ByNumbers({ onClose }: { readonly onClose: () => void }) {
  const services = useServices();
  const session = useSession();
  const { unit, format } = usePanel((s) => s.project);
  const [name, setName] = useState(words.ownName);
  const [typed, setTyped] = useState(firstTyped);
  const made = typedPattern(typed, { id: "typed", name, binder: "" });
  const length = (label: string, key: Exclude<keyof TypedPattern, "columns" | "rows">) => (
    <LengthField
      label={label}
      mm={typed[key]}
      unit={unit}
      ppi={format.ppi}
      onMm={(mm) => {
        setTyped({ ...typed, [key]: mm });
        return undefined;
      }}
    />
  );
  return (
    <ConfirmDialog
      title={words.typeTitle}
      doIt={words.typeDo}
      able={made.ok}
      onClose={onClose}
      onDo={() => {
        if (made.ok) addOwnPattern(services, session, { ...made.value, id: services.newId() });
        onClose();
      }}
    >
      <VStack align="stretch" gap="3">
        <TextField label={words.name} value={name} maxLength={80} onChange={(e) => setName(e.target.value)} />
        <HStack gap="3">
          <CountField
            label={words.columns}
            value={typed.columns}
            onCount={(n) => setTyped({ ...typed, columns: n ?? 1 })}
          />
          <CountField label={words.rows} value={typed.rows} onCount={(n) => setTyped({ ...typed, rows: n ?? 1 })} />
          {length(words.apart, "apartMm")}
        </HStack>
        <HStack gap="3">
          {length(words.width, "pocketWidthMm")}
          {length(words.height, "pocketHeightMm")}
        </HStack>
        <HStack gap="3">
          {length(words.fromLeft, "fromLeftMm")}
          {length(words.fromTop, "fromTopMm")}
        </HStack>
        <Text role="status" color={made.ok ? "fg.muted" : "clay.600"}>
          {made.ok
            ? `${words.count(made.value.pockets.length)}, ${formatLength(made.value.widthMm, unit, format.ppi)} × ${formatLength(made.value.heightMm, unit, format.ppi)}`
            : words.trouble[made.code]}
        </Text>
      </VStack>
    </ConfirmDialog>
  );
}
