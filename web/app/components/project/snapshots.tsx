import { Button, HStack, IconButton, Text, VStack } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import type { Snapshot } from "../../../storage/store.ts";
import { common, formats, work as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import type { ProjectSession } from "../../state/session/project-session.ts";
import { goBackTo, keepSnapshot } from "../../state/session/whole-project.ts";
import { ConfirmDialog } from "../confirm-dialog.tsx";
import { TextField } from "../text-field.tsx";

/** Those that the program kept by itself have no name of their own. */
const titled = (s: Snapshot): Snapshot => (s.why === "renewed" ? { ...s, name: words.snapshotRenewed } : s);

/** The work as it was at moments that were given a name. */
export function Snapshots({ session, onClose }: { readonly session: ProjectSession; readonly onClose: () => void }) {
  const services = useServices();
  const queries = useQueryClient();
  const { project } = session.state.getState();
  const key = ["snapshots", project.id];
  const kept = useQuery({ queryKey: key, queryFn: () => services.store.snapshots(project.id), staleTime: 0 });
  const [name, setName] = useState("");
  const refresh = () => queries.invalidateQueries({ queryKey: key });
  const all = kept.data ?? [];
  const fallback = words.snapshotFirst(all.length + 1);
  return (
    <ConfirmDialog
      title={words.snapshotsTitle}
      doIt={words.snapshotKeep}
      onClose={onClose}
      onDo={() => {
        void keepSnapshot(services, session, name.trim() || fallback)
          .then(refresh)
          .catch(() => notices.create({ title: words.failed, type: "error" }));
        setName("");
      }}
    >
      <VStack align="stretch" gap="4">
        <Text color="fg.muted">{words.snapshotsLead}</Text>
        <TextField
          label={words.snapshotName}
          value={name}
          maxLength={80}
          placeholder={fallback}
          onChange={(e) => setName(e.target.value)}
        />
        {all.length === 0 && <Text color="fg.subtle">{words.snapshotNone}</Text>}
        <VStack as="ul" align="stretch" gap="1" maxH="260px" overflowY="auto" listStyleType="none">
          {all.map(titled).map((s) => (
            <HStack as="li" key={s.id} justify="space-between" gap="3">
              <Text fontWeight="500" truncate>
                {s.name}
              </Text>
              <HStack gap="1" flexShrink="0">
                <Text fontSize="13.5px" color="fg.subtle">
                  {formats.dayHere(s.at)}, {formats.clock(s.at)}
                </Text>
                <Button
                  size="sm"
                  variant="outline"
                  aria-label={words.snapshotBack(s.name)}
                  onClick={() => {
                    goBackTo(session, s);
                    notices.create({
                      title: words.snapshotWent(s.name),
                      type: "info",
                      action: { label: common.undoIt, onClick: () => void session.undo() },
                    });
                    onClose();
                  }}
                >
                  {words.snapshotBackShort}
                </Button>
                <IconButton
                  size="sm"
                  variant="ghost"
                  aria-label={words.snapshotDrop(s.name)}
                  onClick={() => void services.store.removeSnapshot(s.id).then(refresh)}
                >
                  <Trash2 size={16} />
                </IconButton>
              </HStack>
            </HStack>
          ))}
        </VStack>
      </VStack>
    </ConfirmDialog>
  );
}
