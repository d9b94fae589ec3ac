import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { useState } from "react";
import { type Mention, mentionsOf } from "#core/words";
import { writing as say } from "../../../text/index.ts";
import { Checkbox } from "../../components/checkbox.tsx";
import { TextField } from "../../components/text-field.tsx";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { replaceWords } from "../../state/edit/written.ts";
import { useSession } from "../../state/session/hooks.ts";
import { MentionList } from "./mention-list.tsx";
import { useWritten } from "./use-written.ts";

/** Finds what is written anywhere in the project, shows each place, and writes it otherwise. */
export function FindWords() {
  const services = useServices();
  const session = useSession();
  const written = useWritten();
  const [wanted, setWanted] = useState("");
  const [by, setBy] = useState("");
  const [matchCase, setMatchCase] = useState(false);
  const [wholeWords, setWholeWords] = useState(false);
  const texts = written.map((w) => w.text);
  const mentions = mentionsOf(texts, wanted, { matchCase, wholeWords });
  const replace = async (these: readonly Mention[]) => {
    const count = await replaceWords(services, session, written, these, by);
    if (count > 0) notices.create({ title: say.replaced(count), type: "success" });
  };
  return (
    <Box h="full" overflowY="auto" px="8" pb="8">
      <HStack gap="4" align="end" maxW="900px">
        <TextField
          label={say.find}
          value={wanted}
          spellCheck={false}
          onChange={(e) => setWanted(e.target.value.slice(0, 200))}
        />
        <TextField label={say.replaceBy} value={by} onChange={(e) => setBy(e.target.value.slice(0, 200))} />
        <Button disabled={mentions.length === 0 || by === wanted} onClick={() => void replace(mentions)}>
          {say.replaceAll(mentions.length)}
        </Button>
      </HStack>
      <HStack gap="6" mt="3">
        <Checkbox label={say.matchCase} on={matchCase} onToggle={setMatchCase} />
        <Checkbox label={say.wholeWords} on={wholeWords} onToggle={setWholeWords} />
      </HStack>
      <Text mt="4" mb="2" color="fg.muted" role="status">
        {wanted === "" ? say.foundNone : say.found(mentions.length)}
      </Text>
      {mentions.some((m) => written[m.text]!.at.in === "photo") && (
        <Text fontSize="13.5px" color="fg.subtle" mb="2">
          {say.photosApart}
        </Text>
      )}
      <MentionList
        label={say.find}
        written={written}
        mentions={mentions}
        act={{ name: say.replaceOne, onAct: (m) => void replace([m]) }}
      />
    </Box>
  );
}
