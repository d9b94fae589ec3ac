import { Text, VStack } from "@chakra-ui/react";
import { useState } from "react";
import { pagesNumbered } from "#core/edit";
import { words as say, send } from "../../../../text/index.ts";
import { ConfirmDialog } from "../../../components/confirm-dialog.tsx";
import { pagesAsked } from "../../../components/pages-asked.ts";
import { TextField } from "../../../components/text-field.tsx";
import { lookOn } from "../../../state/edit/page-list.ts";
import { useSession } from "../../../state/session/hooks.ts";

/** The open page's look for pages that are named by their numbers. */
export function LookOnSome({ onClose }: { readonly onClose: () => void }) {
  const session = useSession();
  const [asked, setAsked] = useState("");
  const { pageId, project } = session.state.getState();
  const others = pagesNumbered(project, pagesAsked(asked, send.coverWord).numbers).filter((p) => p.id !== pageId);
  return (
    <ConfirmDialog
      title={say.likeSomeTitle}
      doIt={say.likeThese(others.length)}
      able={others.length > 0}
      onClose={onClose}
      onDo={() => {
        lookOn(session, others);
        onClose();
      }}
    >
      <VStack align="stretch" gap="3">
        <Text color="fg.muted">{say.likeSomeLead}</Text>
        <TextField
          label={say.likeWhich}
          value={asked}
          autoFocus
          placeholder="3, 5-9"
          onChange={(e) => setAsked(e.currentTarget.value)}
        />
        {asked.trim() !== "" && others.length === 0 && <Text color="clay.600">{say.likeNone}</Text>}
      </VStack>
    </ConfirmDialog>
  );
}
