import { Box, Button, Text, VStack } from "@chakra-ui/react";
import { useState } from "react";
import type { Loss } from "#core/document";
import { formatFromCard } from "#core/lab";
import { common, lossWords, start, work as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { useLabs } from "../../state/sending/use-labs.ts";
import type { ProjectSession } from "../../state/session/project-session.ts";
import { changeSize } from "../../state/session/whole-project.ts";
import { ConfirmDialog } from "../confirm-dialog.tsx";
import { Segmented } from "../segmented.tsx";
import { Select } from "../select.tsx";

/** Another lab or another size for the whole work; then what could not be kept. */
export function AnotherSize({ session, onClose }: { readonly session: ProjectSession; readonly onClose: () => void }) {
  const services = useServices();
  const labs = useLabs();
  const { project } = session.state.getState();
  const cards = (labs.data ?? []).filter((l) => (l.kind === "book") === (project.kind === "book"));
  const [labId, setLabId] = useState(project.lab?.id);
  const [sizeId, setSizeId] = useState<string>();
  const [sideways, setSideways] = useState(project.format.widthMm > project.format.heightMm);
  const [losses, setLosses] = useState<readonly Loss[]>();
  const lab = cards.find((l) => l.id === labId) ?? cards[0];
  const size = lab && (lab.sizes.find((s) => s.id === sizeId) ?? lab.sizes[0]!);
  if (losses)
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
  return (
    <ConfirmDialog
      title={words.sizeTitle}
      doIt={words.sizeDo}
      able={size !== undefined}
      onClose={onClose}
      onDo={() => {
        if (!lab || !size) return;
        const lost = changeSize(services, session, { lab, format: formatFromCard(lab, size, sideways) });
        if (lost.length > 0) setLosses(lost);
        else {
          notices.create({ title: words.sizeDone, type: "success" });
          onClose();
        }
      }}
    >
      <VStack align="stretch" gap="4">
        <Text color="fg.muted">{words.sizeLead}</Text>
        {lab && size && (
          <>
            <Select
              label={words.sizeLab}
              value={lab.id}
              options={cards.map((l) => [l.id, l.name])}
              onChoose={setLabId}
            />
            <Select
              label={words.sizeSize}
              value={size.id}
              options={lab.sizes.map((s) => [s.id, s.name])}
              onChoose={setSizeId}
            />
            {size.turns && (
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
      </VStack>
    </ConfirmDialog>
  );
}
