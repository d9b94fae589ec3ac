import { Button, Text } from "@chakra-ui/react";
import { useRef } from "react";
import { notes as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import { bringNotesFile } from "./notes-home.ts";
import { notesEnding } from "./notes-names.ts";

/** Notes that others gave back as a file. */
export function BringHome() {
  const services = useServices();
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button size="sm" variant="ghost" mt="3" ml="-3" onClick={() => input.current?.click()}>
        {words.bring}
      </Button>
      <Text fontSize="13px" color="fg.muted">
        {words.bringHelp}
      </Text>
      <input
        ref={input}
        type="file"
        hidden
        multiple
        accept={`${notesEnding},.json,.txt,.eml`}
        aria-label={words.bring}
        onChange={(e) => {
          const files = [...(e.currentTarget.files ?? [])];
          e.currentTarget.value = "";
          void bringNotesFile(services, files);
        }}
      />
    </>
  );
}
