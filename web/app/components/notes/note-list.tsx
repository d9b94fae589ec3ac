import { Button, HStack, Text } from "@chakra-ui/react";
import { type KeyboardEvent, useMemo, useRef, useState } from "react";
import { useStore } from "zustand";
import { noteStates } from "#core/notes";
import { notes as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { alongRow } from "../../commands/keys.ts";
import { useServices } from "../../services.ts";
import { hasChanged } from "../../state/notes/note-gestures.ts";
import { notesOf } from "../../state/notes/notes-shelf.ts";
import { pageNumbers, type ShownNote } from "../../state/notes/shown-notes.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { Segmented } from "../segmented.tsx";
import { ApprovalBox } from "./approval-box.tsx";
import { BringHome } from "./bring-home.tsx";
import { pageWords, placeWords, whenWords, writerName } from "./note-words.ts";
import css from "./notes.module.css";

const atOnce = 100;

interface Section {
  readonly name: string;
  readonly notes: readonly ShownNote[];
}

type Sort = "page" | "state";

/** Which notes the list shows, and in which order. */
export interface ListLook {
  readonly sort: Sort;
  readonly all: boolean;
}
export const firstLook: ListLook = { sort: "page", all: false };

/** What nobody has looked at comes first, then the earlier page. */
function sectionsOf(
  shown: readonly ShownNote[],
  sort: Sort,
  order: ReadonlyMap<string | null, number>,
  numbers: ReadonlyMap<string, string>,
): readonly Section[] {
  const rank = (n: ShownNote) => order.get(n.where.pageId) ?? Number.POSITIVE_INFINITY;
  const sorted = [...shown].sort(
    (a, b) => Number(b.unread) - Number(a.unread) || rank(a) - rank(b) || a.number - b.number,
  );
  const nameOf = (n: ShownNote): string => {
    if (sort === "state") return words.states[n.thread.state];
    if (n.thread.place.on === "book") return words.book;
    return n.where.pageId === null ? words.goneAll : pageWords(n.where.pageId, numbers);
  };
  const sections = new Map<string, ShownNote[]>();
  if (sort === "state") for (const state of noteStates) sections.set(words.states[state], []);
  for (const note of sort === "page" ? [...sorted].sort((a, b) => rank(a) - rank(b)) : sorted) {
    const list = sections.get(nameOf(note));
    if (list) list.push(note);
    else sections.set(nameOf(note), [note]);
  }
  return [...sections].flatMap(([name, notes]) => (notes.length > 0 ? [{ name, notes }] : []));
}

interface NoteListProps {
  readonly shown: readonly ShownNote[];
  readonly look: ListLook;
  readonly onLook: (look: ListLook) => void;
  readonly onGo: (note: ShownNote) => void;
}

export function NoteList({ shown, look, onLook, onGo }: NoteListProps) {
  const project = useProject((s) => s.project);
  const { sort, all } = look;
  const [most, setMost] = useState(atOnce);
  const list = useRef<HTMLDivElement>(null);
  const numbers = useMemo(() => pageNumbers(project), [project]);
  const order = useMemo(
    () =>
      new Map<string | null, number>([
        [null, -2],
        ...(project.cover ? [[project.cover.id, -1] as const] : []),
        ...project.pages.map((p, i) => [p.id, i] as const),
      ]),
    [project.pages, project.cover],
  );
  const some = all ? shown : shown.filter((n) => n.toDo || n.unread);
  const sections = useMemo(() => sectionsOf(some, sort, order, numbers), [some, sort, order, numbers]);
  const onKeyDown = hears("noteList", {
    toNext: (e) => {
      const rows = [...(list.current?.querySelectorAll<HTMLElement>("[data-note]") ?? [])];
      const now = rows.indexOf(document.activeElement as HTMLElement);
      const next = rows[now < 0 ? 0 : now + alongRow(e)];
      next?.focus();
      return next !== undefined;
    },
  });
  if (shown.length === 0)
    return (
      <div className={css.body}>
        <ApprovalBox />
        <Text fontWeight="600" mt="2">
          {words.none}
        </Text>
        <Text color="fg.muted" mb="4">
          {words.noneLead}
        </Text>
        <BringHome />
      </div>
    );
  let left = most;
  return (
    <>
      <HStack px="4" pb="2" gap="2" flexWrap="wrap">
        <Segmented
          label={words.show}
          tight
          value={all ? "all" : "open"}
          options={[
            ["open", words.shows.open],
            ["all", words.shows.all],
          ]}
          onChoose={(v) => onLook({ ...look, all: v === "all" })}
        />
        <Segmented
          label={words.sort}
          tight
          value={sort}
          options={[
            ["page", words.sorts.page],
            ["state", words.sorts.state],
          ]}
          onChoose={(next) => onLook({ ...look, sort: next })}
        />
      </HStack>
      <div className={css.body} ref={list}>
        <ApprovalBox />
        {some.length === 0 && (
          <Text color="fg.muted" py="3">
            {words.noneSuch}
          </Text>
        )}
        {sections.map(({ name, notes }) => {
          const here = notes.slice(0, Math.max(0, left));
          left -= here.length;
          if (here.length === 0) return null;
          return (
            <section key={name} aria-label={name}>
              <h3 className={css.section}>{name}</h3>
              {here.map((note) => (
                <NoteRow
                  key={note.thread.id}
                  note={note}
                  place={sort === "page" ? "" : placeWords(note, numbers)}
                  onGo={() => onGo(note)}
                  onKeyDown={onKeyDown}
                />
              ))}
            </section>
          );
        })}
        {some.length > most && (
          <Button size="sm" variant="ghost" my="2" onClick={() => setMost(most + atOnce)}>
            {words.more(Math.min(atOnce, some.length - most))}
          </Button>
        )}
        <BringHome />
      </div>
    </>
  );
}

interface NoteRowProps {
  readonly note: ShownNote;
  readonly place: string;
  readonly onGo: () => void;
  readonly onKeyDown: (e: KeyboardEvent) => void;
}

function NoteRow({ note, place, onGo, onKeyDown }: NoteRowProps) {
  const services = useServices();
  const session = useSession();
  const me = useStore(notesOf(services).state, (s) => s.me);
  // The mark of what it speaks of changes with the project only.
  useProject((s) => s.project);
  const { thread, number, where, unread } = note;
  const last = thread.replies.at(-1);
  const changed = note.toDo && hasChanged(services, session, note);
  return (
    <button type="button" data-note={thread.id} className={css.row} onClick={onGo} onKeyDown={onKeyDown}>
      <span className={css.number} data-state={thread.state} aria-hidden>
        {number}
      </span>
      <span className={css.said}>
        <span className={css.who}>
          <b>{writerName(thread.by, me)}</b>
          {place !== "" && `, ${place}`}
          {unread && <span className={css.new}>{words.isNew}</span>}
        </span>
        <span className={css.text}>{thread.text}</span>
        {last && (
          <span className={css.last}>
            {writerName(last.by, me)}: {last.text}
          </span>
        )}
        <span className={css.facts}>
          {words.states[thread.state]} · {whenWords(thread.at)}
          {where.gone && <em className={css.warn}> · {words.gone}</em>}
          {changed && <em className={css.good}> · {words.changed}</em>}
        </span>
      </span>
    </button>
  );
}
