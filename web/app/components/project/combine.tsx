import { Text, VStack } from "@chakra-ui/react";
import { useState } from "react";
import { work as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import type { ProjectSession } from "../../state/session/project-session.ts";
import { useProjects } from "../../state/session/use-projects.ts";
import { combine } from "../../state/session/whole-project.ts";
import { ConfirmDialog } from "../confirm-dialog.tsx";
import { Select } from "../select.tsx";

/** Pages of another work behind those of this one. */
export function Combine({ session, onClose }: { readonly session: ProjectSession; readonly onClose: () => void }) {
  const services = useServices();
  const works = useProjects();
  const own = session.state.getState().project.id;
  const others = (works.data?.cards ?? []).filter((c) => c.project.id !== own);
  const [chosen, setChosen] = useState<string>();
  const other = others.find((c) => c.project.id === chosen) ?? others[0];

  async function add(workId: string) {
    const whole = await services.store.openProject(workId).catch(() => undefined);
    if (whole) notices.create({ title: words.combined(combine(services, session, whole.project)), type: "success" });
    else notices.create({ title: words.combineUnread, type: "error" });
  }

  return (
    <ConfirmDialog
      title={words.combineTitle}
      doIt={words.combineDo}
      able={other !== undefined}
      onClose={onClose}
      onDo={() => {
        if (other) void add(other.project.id);
        onClose();
      }}
    >
      <VStack align="stretch" gap="4">
        <Text color="fg.muted">{other ? words.combineLead : words.combineNone}</Text>
        {other && (
          <Select
            label={words.which}
            value={other.project.id}
            options={others.map((c) => [c.project.id, `${c.project.name} (${c.pageCount})`])}
            onChoose={setChosen}
          />
        )}
      </VStack>
    </ConfirmDialog>
  );
}
