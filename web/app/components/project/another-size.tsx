import { Box, Button, Text, VStack } from "@chakra-ui/react";
import { useState } from "react";
import { hasFacingPages, isLarger, type Loss } from "#core/document";
import { formatFromCard, type LabCard, ownFormat, type PageFormat } from "#core/lab";
import { ok } from "#core/result";
import { formatLength, type Unit } from "#core/units";
import { common, formatTrouble, lossWords, start, work as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { useLabs } from "../../state/sending/use-labs.ts";
import type { ProjectSession } from "../../state/session/project-session.ts";
import { changeSize } from "../../state/session/whole-project.ts";
import { ConfirmDialog } from "../confirm-dialog.tsx";
import { type OwnSize, OwnSizeForm } from "../own-size-form.tsx";
import { Segmented } from "../segmented.tsx";
import { Select } from "../select.tsx";

const own = "own";

/** Whose cards come into question: a book needs one that binds, prints one that prints them. */
const fitting = (kind: string, card: LabCard): boolean =>
  kind === "prints" ? card.kind === "prints" : (card.kind === "book") === (kind === "book");

/** Another lab or another size for the whole work, beginning at the present one; then what could not be kept. */
export function AnotherSize({ session, onClose }: { readonly session: ProjectSession; readonly onClose: () => void }) {
  const services = useServices();
  const labs = useLabs();
  const { project } = session.state.getState();
  const { format: now } = project;
  const cards = (labs.data ?? []).filter((l) => fitting(project.kind, l));
  const ownAllowed = project.kind === "collage" || project.kind === "pockets";
  const [labId, setLabId] = useState(project.lab?.id ?? own);
  const [sizeId, setSizeId] = useState(project.lab?.sizes.find((s) => s.name === now.name)?.id);
  const [sideways, setSideways] = useState(now.widthMm > now.heightMm);
  const [size, setSize] = useState<OwnSize>(now);
  const [unit, setUnit] = useState<Unit>(project.unit);
  const [how, setHow] = useState<"anew" | "larger">("anew");
  const [losses, setLosses] = useState<readonly Loss[]>();
  const lab = labId === own && ownAllowed ? undefined : (cards.find((l) => l.id === labId) ?? cards[0]);
  const ofLab = lab && (lab.sizes.find((s) => s.id === sizeId) ?? lab.sizes[0]!);
  const format = lab && ofLab ? ok(formatFromCard(lab, ofLab, sideways)) : ownFormat({ name: "own-size", ...size });
  if (losses) return <Losses losses={losses} session={session} onClose={onClose} />;
  const larger = format.ok && isLarger(now, format.value);
  const same = format.ok && sameSheet(now, format.value) && (lab?.id ?? own) === (project.lab?.id ?? own);
  const chosen = larger && !same ? how : "anew";

  const change = (to: PageFormat) => {
    const lost = changeSize(services, session, { lab: lab ?? null, format: to }, chosen);
    if (lost.length > 0) setLosses(lost);
    else {
      notices.create({ title: chosen === "larger" ? words.sizeDoneLarger : words.sizeDone, type: "success" });
      onClose();
    }
  };
  return (
    <ConfirmDialog
      title={words.sizeTitle}
      doIt={chosen === "larger" ? words.sizeMore : words.sizeDo}
      able={format.ok && !same}
      onClose={onClose}
      onDo={() => format.ok && change(format.value)}
    >
      <VStack align="stretch" gap="4">
        <Text color="fg.muted">{words.sizeLead}</Text>
        <Select
          label={words.sizeLab}
          value={lab?.id ?? own}
          options={[
            ...cards.map((l) => [l.id, l.name] as const),
            ...(ownAllowed ? [[own, start.ownSize] as const] : []),
          ]}
          onChoose={setLabId}
        />
        {lab && ofLab && project.kind !== "prints" && (
          <>
            <Select
              label={words.sizeSize}
              value={ofLab.id}
              options={lab.sizes.map((s) => [s.id, s.name])}
              onChoose={setSizeId}
            />
            {ofLab.turns && (
              <Segmented
                label={start.orientation}
                value={sideways ? "sideways" : "upright"}
                options={[
                  ["upright", start.upright],
                  ["sideways", start.sideways],
                ]}
                onChoose={(v) => setSideways(v === "sideways")}
              />
            )}
          </>
        )}
        {!lab && ownAllowed && <OwnSizeForm size={size} unit={unit} onSize={setSize} onUnit={setUnit} columns={2} />}
        {!format.ok ? (
          <Text role="alert" color="clay.600" fontWeight="500">
            {formatTrouble(format, (mm) => formatLength(mm, unit, size.ppi))}
          </Text>
        ) : same ? (
          <Text color="fg.muted" role="status">
            {words.sizeSame}
          </Text>
        ) : (
          !hasFacingPages(project) &&
          project.kind !== "prints" &&
          (larger ? (
            <Select
              label={words.sizeHow}
              value={how}
              options={[
                ["anew", words.sizeAnew],
                ["larger", words.sizeLarger],
              ]}
              onChoose={setHow}
            />
          ) : (
            <Text fontSize="14px" color="fg.subtle">
              {words.sizeNotLarger}
            </Text>
          ))
        )}
      </VStack>
    </ConfirmDialog>
  );
}

const sameSheet = (a: PageFormat, b: PageFormat): boolean =>
  a.widthMm === b.widthMm && a.heightMm === b.heightMm && a.bleedMm === b.bleedMm && a.ppi === b.ppi;

interface LossesProps {
  readonly losses: readonly Loss[];
  readonly session: ProjectSession;
  readonly onClose: () => void;
}

function Losses({ losses, session, onClose }: LossesProps) {
  return (
    <ConfirmDialog told title={words.lossesTitle} doIt={common.done} onDo={onClose} onClose={onClose}>
      <Box as="ul" maxH="340px" overflowY="auto" pl="5" listStyleType="disc">
        {losses.map((loss) => (
          <Text as="li" key={JSON.stringify(loss)} mb="1">
            {lossWords(loss)}
          </Text>
        ))}
      </Box>
      <Button
        mt="3"
        size="sm"
        variant="outline"
        onClick={() => {
          session.undo();
          onClose();
        }}
      >
        {common.undoIt}
      </Button>
    </ConfirmDialog>
  );
}
