import { Text, VStack } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { work as words } from "../../../text/work.ts";
import { useKit } from "../../kit.ts";
import type { ProjectSession } from "../../state/project-session.ts";
import { combine } from "../../state/work.ts";
import { Ask } from "../ask.tsx";
import { Choose } from "../choose-one.tsx";
import { notices } from "../notices.ts";

/** Pages of another work behind those of this one. */
export function Combine({ session, onClose }: { readonly session: ProjectSession; readonly onClose: () => void }) {
  const kit = useKit();
  const works = useQuery({ queryKey: ["projects"], queryFn: () => kit.store.projects(), staleTime: 0 });
  const own = session.state.getState().project.id;
  const others = (works.data?.cards ?? []).map((c) => c.project).filter((p) => p.id !== own);
  const [chosen, setChosen] = useState<string>();
  const other = others.find((p) => p.id === chosen) ?? others[0];
  return (
    <Ask
      title={words.combineTitle}
      doIt={words.combineDo}
      able={other !== undefined}
      onClose={onClose}
      onDo={() => {
        if (other) notices.create({ title: words.combined(combine(kit, session, other)), type: "success" });
        onClose();
      }}
    >
      <VStack align="stretch" gap="4">
        <Text color="fg.muted">{other ? words.combineLead : words.combineNone}</Text>
        {other && (
          <Choose
            label={words.which}
            value={other.id}
            options={others.map((p) => [p.id, `${p.name} (${p.pages.length})`])}
            onChoose={setChosen}
          />
        )}
      </VStack>
    </Ask>
  );
}
