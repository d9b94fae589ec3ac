import { Button, HStack, Text } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { useStore } from "zustand";
import type { NotePlace } from "#core/notes";
import { notes as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import { pinNote } from "../../state/notes/note-gestures.ts";
import { notesOf } from "../../state/notes/notes-shelf.ts";
import { pageNumbers } from "../../state/notes/shown-notes.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { Segmented } from "../segmented.tsx";
import { TextField } from "../text-field.tsx";
import { NoteText } from "./note-text.tsx";
import { aboutWords, pageWords } from "./note-words.ts";
import css from "./notes.module.css";

interface NoteWriterProps {
  readonly place: NotePlace;
  readonly onDone: () => void;
}

/** A new note: what it is about, and its words. */
export function NoteWriter({ place, onDone }: NoteWriterProps) {
  const services = useServices();
  const session = useSession();
  const project = useProject((s) => s.project);
  const name = useStore(notesOf(services).state, (s) => s.me.name);
  const numbers = useMemo(() => pageNumbers(project), [project]);
  const [text, setText] = useState("");
  const choices = useMemo((): readonly NotePlace[] => {
    const page: readonly NotePlace[] = place.on === "book" ? [] : [{ on: "page", pageId: place.pageId }];
    return [...(place.on === "book" || place.on === "page" ? [] : [place]), ...page, { on: "book" }];
  }, [place]);
  const [about, setAbout] = useState(place.on);
  const chosen = choices.find((c) => c.on === about) ?? place;
  const keep = () => pinNote(services, session, chosen, text);
  return (
    <div className={css.body}>
      {chosen.on !== "book" && (
        <Text fontWeight="600" mb="2">
          {pageWords(chosen.pageId, numbers)}
        </Text>
      )}
      <Segmented
        label={words.aboutLabel}
        tight
        value={about}
        options={choices.map((c) => [c.on, aboutWords(c)] as const)}
        onChoose={setAbout}
      />
      <NoteText label={words.text} placeholder={words.textPlace} value={text} onType={setText} onKeep={keep} />
      <TextField
        label={words.name}
        value={name}
        maxLength={80}
        onChange={(e) => notesOf(services).callMe(e.target.value)}
      />
      <Text fontSize="13px" color="fg.muted" mt="1" mb="3">
        {words.nameHelp}
      </Text>
      <HStack gap="2">
        <Button size="sm" disabled={text.trim() === ""} onClick={keep}>
          {chosen.on === "book" ? words.keepWhole : words.keep}
        </Button>
        <Button size="sm" variant="outline" onClick={onDone}>
          {words.cancel}
        </Button>
      </HStack>
    </div>
  );
}
