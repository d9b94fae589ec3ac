import { Button, HStack, Text } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { useStore } from "zustand";
import type { Reply } from "#core/notes";
import { notes as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { hasChanged, takeCrop, takeSwap, writeThere } from "../../state/notes/note-gestures.ts";
import { notesOf, type Saying } from "../../state/notes/notes-shelf.ts";
import { pageNumbers, type ShownNote } from "../../state/notes/shown-notes.ts";
import { useLibrary, useProject, useSession } from "../../state/session/hooks.ts";
import { PhotoThumb } from "../photo-thumb.tsx";
import { NoteText } from "./note-text.tsx";
import { placeWords, whenWords, writerName } from "./note-words.ts";
import css from "./notes.module.css";

interface NoteThreadProps {
  readonly note: ShownNote;
  readonly onGo: () => void;
  readonly onDone: () => void;
}

/** A note with what was said to it, and what can be done about it. */
export function NoteThread({ note, onGo, onDone }: NoteThreadProps) {
  const services = useServices();
  const session = useSession();
  const project = useProject((s) => s.project);
  const readOnly = useProject((s) => s.readOnly);
  const me = useStore(notesOf(services).state, (s) => s.me);
  const numbers = useMemo(() => pageNumbers(project), [project]);
  const [answer, setAnswer] = useState("");
  const [rewording, setRewording] = useState<string>();
  const { thread, where } = note;
  const own = thread.by.key === me.key || thread.by.key === "";
  const say = (...said: readonly Saying[]) => notesOf(services).say(project.id, ...said);
  const reply = () => {
    const text = answer.trim();
    if (text === "") return;
    setAnswer("");
    say({ does: "reply", to: thread.id, text });
  };
  const settle = (state: "open" | "done" | "left") => say({ does: "settle", to: thread.id, state });
  const remove = () => {
    onDone();
    const { made } = say({ does: "remove", to: thread.id });
    const back = () => void notesOf(services).takeBack(project.id, made);
    notices.create({ title: words.removed, type: "info", action: { label: words.undo, onClick: back } });
  };
  const reword = () => {
    const text = rewording?.trim();
    setRewording(undefined);
    if (text && text !== thread.text) say({ does: "reword", to: thread.id, text });
  };
  return (
    <div className={css.body} data-thread={thread.id}>
      <p className={css.place}>
        <span className={css.number} data-state={thread.state} aria-hidden>
          {note.number}
        </span>
        {placeWords(note, numbers)}
      </p>
      <p className={css.facts}>
        {words.states[thread.state]}
        {where.gone && <em className={css.warn}> · {where.pageId === null ? words.goneAll : words.goneWhy}</em>}
        {note.toDo && hasChanged(services, session, note) && <em className={css.good}> · {words.changedWhy}</em>}
      </p>
      <Said said={thread} />
      {rewording !== undefined && (
        <div>
          <NoteText label={words.text} value={rewording} onType={setRewording} onKeep={reword} />
          <Button size="sm" onClick={reword}>
            {words.rewordDo}
          </Button>
        </div>
      )}
      {thread.swap !== undefined && <Swap note={note} hash={thread.swap} />}
      {thread.crop && where.tileId !== null && !readOnly && (
        <div className={css.asked}>
          <Text mb="2">{words.crop}</Text>
          <Button size="sm" variant="outline" onClick={() => takeCrop(services, session, note)}>
            {words.cropDo}
          </Button>
        </div>
      )}
      <HStack gap="2" my="3" flexWrap="wrap">
        <Button size="sm" variant="outline" onClick={onGo} disabled={where.pageId === null}>
          {words.goThere}
        </Button>
        {thread.place.on === "words" && where.tileId !== null && !readOnly && (
          <Button
            size="sm"
            variant="outline"
            onClick={() => {
              onGo();
              writeThere(services, session, note);
            }}
          >
            {words.toWords}
          </Button>
        )}
      </HStack>
      {thread.replies.map((r) => (
        <Said key={r.id} said={r} reply />
      ))}
      {!readOnly && (
        <>
          <NoteText
            label={words.reply}
            placeholder={words.reply}
            rows={2}
            value={answer}
            onType={setAnswer}
            onKeep={reply}
          />
          <HStack gap="2" mt="2" mb="4">
            <Button size="sm" variant="outline" disabled={answer.trim() === ""} onClick={reply}>
              {words.replyDo}
            </Button>
          </HStack>
          <HStack gap="2" flexWrap="wrap" borderTopWidth="1px" borderColor="oat.300" pt="3">
            {note.toDo ? (
              <>
                <Button size="sm" onClick={() => settle("done")}>
                  {words.settle.done}
                </Button>
                <Button size="sm" variant="outline" onClick={() => settle("left")}>
                  {words.settle.left}
                </Button>
              </>
            ) : (
              <Button size="sm" variant="outline" onClick={() => settle("open")}>
                {words.settle.open}
              </Button>
            )}
            {own && (
              <>
                <Button size="sm" variant="ghost" onClick={() => setRewording(thread.text)}>
                  {words.reword}
                </Button>
                <Button size="sm" variant="ghost" onClick={remove}>
                  {words.remove}
                </Button>
              </>
            )}
          </HStack>
        </>
      )}
    </div>
  );
}

function Said({ said, reply = false }: { readonly said: Reply; readonly reply?: boolean }) {
  const me = useStore(notesOf(useServices()).state, (s) => s.me);
  return (
    <blockquote className={reply ? `${css.quote} ${css.reply}` : css.quote}>
      <span className={css.who}>
        <b>{writerName(said.by, me)}</b> <span className={css.when}>{whenWords(said.at)}</span>
      </span>
      <span className={css.whole}>{said.text}</span>
    </blockquote>
  );
}

/** The photo that is asked for, to be put there by one click. */
function Swap({ note, hash }: { readonly note: ShownNote; readonly hash: string }) {
  const services = useServices();
  const session = useSession();
  const readOnly = useProject((s) => s.readOnly);
  const photo = useLibrary((s) => s.photos.find((p) => p.hash === hash));
  if (!photo) return <Text className={css.asked}>{words.swapGone}</Text>;
  return (
    <div className={css.asked}>
      <Text mb="2">{words.swap}</Text>
      <div className={css.offered}>
        <PhotoThumb photoId={photo.id} fit="contain" />
      </div>
      {!readOnly && note.where.tileId !== null && (
        <Button size="sm" variant="outline" mt="2" onClick={() => takeSwap(services, session, note, photo.id)}>
          {words.swapDo}
        </Button>
      )}
    </div>
  );
}
