import { Button, Text } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { common, notes as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import type { CameBack } from "../../state/view-state/view-state.ts";
import { Dialog } from "../dialog.tsx";
import { takeProjectFile } from "../project/take-project-file.ts";
import { bringEvents } from "./notes-home.ts";

/** What to take of a project that came back with notes: only those, or all of it beside the one that is here. */
export function CameBackQuestion({ came }: { readonly came: CameBack }) {
  const services = useServices();
  const queries = useQueryClient();
  const { file, work, fresh } = came;
  const close = () => services.viewState.setState({ cameBack: undefined });
  const doing = { signal: new AbortController().signal, onProgress: () => {} };
  return (
    <Dialog
      title={words.homeTitle(work.name)}
      widthPx={560}
      onClose={close}
      foot={
        <>
          <Button variant="outline" onClick={close}>
            {common.cancel}
          </Button>
          <Button
            variant="outline"
            onClick={() => {
              close();
              void takeProjectFile(services, queries, file, doing, { asCopy: true });
            }}
          >
            {words.homeTakeAll}
          </Button>
          <Button
            onClick={() => {
              close();
              void bringEvents(services, work, fresh);
            }}
          >
            {words.homeTakeNotes}
          </Button>
        </>
      }
    >
      <Text>{words.homeLead}</Text>
      <Text mt="2">{words.homeNotes(fresh.length)}</Text>
    </Dialog>
  );
}
