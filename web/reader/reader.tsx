import { useEffect, useMemo, useRef, useState } from "react";
import type { ProofData } from "#core/notes";
import {
  type Author,
  judgementsOf,
  merged,
  type NoteEvent,
  type NotePlace,
  newEvent,
  pageOfPlace,
  type Thread,
  threadsOf,
} from "#core/notes";
import { reader as words } from "../text/index.ts";
import { GiveBack } from "./give-dialog.tsx";
import { keep, newKey, openKept } from "./kept-notes.ts";
import { type Draft, Leaf, type NumberedThread, pinAt } from "./leaf.tsx";
import { useLive } from "./live.ts";
import { useMarkedWords } from "./marked-words.ts";
import { NameDialog } from "./name-dialog.tsx";
import { useRoom } from "./room.ts";
import type { Say } from "./say.ts";
import { Side } from "./side.tsx";

const zooms = [1, 1.5, 2, 3] as const;
/** Pages above and notes below, as in the style sheet; on a phone one page at a time. */
const stackedPx = 900;
const phonePx = 600;
const padPx = 36;

/** The work to be leafed through, with what is said of it beside it. */
export function Reader({ data }: { readonly data: ProofData }) {
  const [{ me, events }, setSaid] = useState(() => openKept(data));
  const [kept, setKept] = useState(true);
  const [at, setAt] = useState(0);
  const [zoom, setZoom] = useState(0);
  const [pointing, setPointing] = useState(false);
  const [draft, setDraft] = useState<Draft>();
  const [openId, setOpenId] = useState<string>();
  const [dialog, setDialog] = useState<"give" | "name">();
  const pages = useRef<HTMLDivElement>(null);
  const room = useRoom(pages);
  const stacked = window.innerWidth <= stackedPx;
  const phone = window.innerWidth <= phonePx;
  const views = useMemo(
    () => (phone ? data.leaves.map((_, i) => [i]) : data.views.map((v) => [v.left, v.right].filter((i) => i !== null))),
    [data, phone],
  );
  const now = views[Math.min(at, views.length - 1)]!;
  const leaves = now.map((i) => data.leaves[i]!);
  const marked = useMarkedWords(data);
  const threads = useMemo(
    (): readonly NumberedThread[] => threadsOf(events).map((thread, i) => ({ thread, number: i + 1 })),
    [events],
  );
  const judgements = useMemo(() => judgementsOf(events), [events]);
  const nameOf = ({ by }: Pick<Thread, "by">) => (by.key === me.key ? words.you : by.name || words.somebody);

  const put = (nextMe: Author, nextEvents: readonly NoteEvent[]) => {
    setSaid({ me: nextMe, events: nextEvents });
    setKept(keep(data, { me: nextMe, events: nextEvents }));
  };
  const latest = useRef(events);
  latest.current = events;
  const say: Say = (what) => {
    const event = newEvent(latest.current, what, { id: newKey(), at: new Date().toISOString(), by: me });
    latest.current = merged(latest.current, [event]);
    put(me, latest.current);
    if (me.name === "") setDialog("name");
    return event;
  };
  /** The name stands on everything that was said here, also on what was said before it was asked for. */
  const callMe = (name: string) => {
    const named = { ...me, name };
    put(
      named,
      events.map((e) => (e.by.key === me.key ? { ...e, by: named } : e)),
    );
    setDialog(undefined);
  };

  const mine = events.filter((e) => e.by.key === me.key && !data.events.some((d) => d.id === e.id));
  const { live, newPages } = useLive(data, mine, dialog === "name", (come) => {
    const all = merged(latest.current, come);
    if (all !== latest.current) put(me, all);
    latest.current = all;
  });

  const go = (to: number) => {
    setAt(Math.min(views.length - 1, Math.max(0, to)));
    setDraft(undefined);
    setOpenId(undefined);
  };
  const begin = (next: Draft) => {
    setDraft(next);
    setPointing(false);
    setOpenId(undefined);
  };
  const goTo = (place: NotePlace, threadId: string) => {
    const pageId = pageOfPlace(place);
    const there = views.findIndex((v) =>
      v.some((i) => {
        const leaf = data.leaves[i]!;
        const pin = pinAt(leaf, place);
        return leaf.pageId === pageId && (!pin || (pin.x >= leaf.box.x && pin.x <= leaf.box.x + leaf.box.w));
      }),
    );
    if (there >= 0) setAt(there);
    setDraft(undefined);
    setOpenId(threadId);
  };
  const last = leaves.at(-1)!;
  const keyed = (key: string): (() => void) | undefined => {
    switch (key) {
      case "ArrowRight":
      case "PageDown":
        return () => go(at + 1);
      case "ArrowLeft":
      case "PageUp":
        return () => go(at - 1);
      case "Home":
        return () => go(0);
      case "End":
        return () => go(views.length - 1);
      case "+":
        return () => setZoom(Math.min(zooms.length - 1, zoom + 1));
      case "-":
        return () => setZoom(Math.max(0, zoom - 1));
      case "0":
        return () => setZoom(0);
      case "n":
        return () => begin({ place: { on: "page", pageId: last.pageId }, mark: last.noteMark });
      case "Escape":
        return () => {
          setPointing(false);
          setDraft(undefined);
        };
      default:
        return undefined;
    }
  };
  useEffect(() => {
    const hear = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement;
      if (typing || e.ctrlKey || e.metaKey || e.altKey || document.querySelector("dialog[open]")) return;
      const doIt = keyed(e.key);
      if (!doIt) return;
      e.preventDefault();
      doIt();
    };
    window.addEventListener("keydown", hear);
    return () => window.removeEventListener("keydown", hear);
  });

  const across = Math.max(...views.map((v) => v.reduce((sum, i) => sum + data.leaves[i]!.box.w, 0)));
  const tall = Math.max(...data.leaves.map((l) => l.box.h));
  const fit = stacked ? (room.w - 20) / across : Math.min((room.w - padPx) / across, (room.h - padPx) / tall);
  const scale = Math.max(0.05, fit) * zooms[zoom]!;
  return (
    <div className="reader">
      <header className="head">
        <div>
          <h1>{data.workName}</h1>
          <p>{words.state(data.madeAt)}</p>
        </div>
        <span className="grow" />
        {marked && !draft && (
          <button
            type="button"
            className="btn"
            // The marked words stay marked.
            onPointerDown={(e) => e.preventDefault()}
            onClick={() => begin(marked)}
          >
            {words.onWords}
          </button>
        )}
        <button type="button" className="btn" aria-pressed={pointing} onClick={() => setPointing(!pointing)}>
          {pointing ? words.noting : words.note}
        </button>
        <button type="button" className={data.room ? "btn" : "btn main"} onClick={() => setDialog("give")}>
          {words.give}
          {mine.length > 0 && ` (${mine.length})`}
        </button>
      </header>
      {newPages && (
        <div className="strip" role="status">
          {words.newPages}
          <button type="button" className="btn" onClick={() => location.reload()}>
            {words.showNew}
          </button>
        </div>
      )}
      <div className="pages" ref={pages}>
        <div className="opening">
          {room.w > 0 &&
            now.map((i) => (
              <Leaf
                key={i}
                leaf={data.leaves[i]!}
                index={i}
                scale={scale}
                threads={threads}
                openId={openId}
                nameOf={nameOf}
                pointing={pointing}
                draft={draft && pageOfPlace(draft.place) === data.leaves[i]!.pageId ? draft : undefined}
                onPoint={begin}
                onCrop={(crop) => setDraft((was) => was && { ...was, crop, drawing: false })}
                onOpen={(id) => {
                  setOpenId(id);
                  setDraft(undefined);
                }}
              />
            ))}
        </div>
      </div>
      <nav className="foot">
        <button type="button" className="btn" disabled={at === 0} onClick={() => go(at - 1)}>
          ‹ {words.back}
        </button>
        <span className="at" role="status">
          {words.at(at + 1, views.length)}
        </span>
        <button type="button" className="btn" disabled={at >= views.length - 1} onClick={() => go(at + 1)}>
          {words.next} ›
        </button>
        <button
          type="button"
          className="btn zoom"
          aria-label={words.further}
          disabled={zoom === 0}
          onClick={() => setZoom(zoom - 1)}
        >
          −
        </button>
        <button
          type="button"
          className="btn zoom"
          aria-label={words.closer}
          disabled={zoom === zooms.length - 1}
          onClick={() => setZoom(zoom + 1)}
        >
          +
        </button>
      </nav>
      <Side
        data={data}
        leaves={leaves}
        threads={threads}
        judgements={judgements}
        me={me}
        nameOf={nameOf}
        draft={draft}
        onDraft={setDraft}
        openId={openId}
        onOpen={(id) => {
          const found = threads.find((t) => t.thread.id === id);
          if (found) goTo(found.thread.place, id);
        }}
        say={say}
        kept={kept}
        live={live}
        onBegin={begin}
      />
      {dialog === "name" && <NameDialog name={me.name} onName={callMe} onClose={() => setDialog(undefined)} />}
      {dialog === "give" && (
        <GiveBack
          data={data}
          events={events}
          me={me}
          onName={() => setDialog("name")}
          onClose={() => setDialog(undefined)}
        />
      )}
    </div>
  );
}
