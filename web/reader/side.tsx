import type { ProofData, ProofLeaf } from "#core/notes";
import { type Author, type Judgement, pageOfPlace, type Thread, type Verdict } from "#core/notes";
import { reader as words } from "../text/index.ts";
import type { Draft, NumberedThread } from "./leaf.tsx";
import type { Live } from "./live.ts";
import type { Say } from "./say.ts";
import { ThreadCard } from "./thread-card.tsx";
import { Writer } from "./writer.tsx";

interface SideProps {
  readonly data: ProofData;
  /** Those in sight. */
  readonly leaves: readonly ProofLeaf[];
  readonly threads: readonly NumberedThread[];
  readonly judgements: readonly Judgement[];
  readonly me: Author;
  readonly nameOf: (thread: Pick<Thread, "by">) => string;
  readonly draft: Draft | undefined;
  readonly onDraft: (draft: Draft | undefined) => void;
  readonly openId: string | undefined;
  readonly onOpen: (threadId: string) => void;
  readonly say: Say;
  /** Whether what was said is kept in this browser. */
  readonly kept: boolean;
  readonly live: Live;
  readonly onBegin: (draft: Draft) => void;
}

/** What is said of the pages in sight, of all of it, and what one says to each. */
export function Side({
  data,
  leaves,
  threads,
  judgements,
  me,
  nameOf,
  draft,
  onDraft,
  openId,
  onOpen,
  say,
  kept,
  live,
  onBegin,
}: SideProps) {
  const pageIds = new Set(leaves.map((l) => l.pageId));
  const labels = new Map(data.leaves.map((l) => [l.pageId, words.leaf(l.label)]));
  const of = (t: NumberedThread) => pageOfPlace(t.thread.place);
  const here = threads.filter((t) => pageIds.has(of(t) ?? ""));
  const whole = threads.filter((t) => of(t) === null);
  const elsewhere = threads.filter((t) => of(t) !== null && !pageIds.has(of(t) ?? ""));
  const card = (t: NumberedThread) => (
    <ThreadCard
      key={t.thread.id}
      data={data}
      numbered={t}
      open={t.thread.id === openId}
      own={t.thread.by.key === me.key}
      nameOf={nameOf}
      onOpen={() => onOpen(t.thread.id)}
      say={say}
    />
  );
  const asked = leaves.filter((l, i) => leaves.findIndex((o) => o.pageId === l.pageId) === i);
  return (
    <aside className="side" aria-label={words.notes}>
      {draft ? (
        <Writer
          key={JSON.stringify(draft.place)}
          data={data}
          draft={draft}
          leaf={leaves.find((l) => l.pageId === pageOfPlace(draft.place))}
          onDraft={onDraft}
          onKeep={(text) => {
            const { place, mark, crop, swap } = draft;
            const made = say({
              does: "note",
              place,
              mark,
              text,
              ...(crop ? { crop } : {}),
              ...(swap ? { swap } : {}),
            });
            onDraft(undefined);
            onOpen(made.id);
          }}
        />
      ) : (
        <>
          <h2>{words.notesHere(here.length)}</h2>
          {threads.length === 0 && <p className="hint">{words.lead}</p>}
          {here.map(card)}
          {asked.map((leaf) => (
            <VerdictRow
              key={leaf.pageId}
              title={words.verdict(words.leaf(leaf.label))}
              judgements={judgements.filter((j) => j.pageId === leaf.pageId)}
              me={me}
              nameOf={nameOf}
              onSay={(verdict) => say({ does: "judge", pageId: leaf.pageId, verdict, mark: leaf.mark })}
            />
          ))}
          <VerdictRow
            title={words.verdictAll}
            judgements={judgements.filter((j) => j.pageId === null)}
            me={me}
            nameOf={nameOf}
            onSay={(verdict) => say({ does: "judge", pageId: null, verdict, mark: data.mark })}
          />
          <div className="row">
            <button type="button" className="btn" onClick={() => onBegin({ place: { on: "book" }, mark: "" })}>
              {words.about.book}
            </button>
          </div>
          {whole.length > 0 && <h3>{words.book}</h3>}
          {whole.map(card)}
          {elsewhere.length > 0 && <h3>{words.elsewhere}</h3>}
          {elsewhere.map(({ thread, number }) => {
            const place = labels.get(of({ thread, number }) ?? "") ?? "";
            return (
              <button
                key={thread.id}
                type="button"
                className="note"
                aria-label={words.goTo(place)}
                onClick={() => onOpen(thread.id)}
              >
                <small>
                  {number} · {place} · {nameOf(thread)}
                </small>
                <p>{thread.text}</p>
              </button>
            );
          })}
          <p className="hint" role="status">
            {live === "off" || live === "closed" ? (kept ? words.kept : words.notKept) : words.live[live]}
            {live === "closed" && ` ${words.live.closed}`}
          </p>
        </>
      )}
    </aside>
  );
}

interface VerdictRowProps {
  readonly title: string;
  readonly judgements: readonly Judgement[];
  readonly me: Author;
  readonly nameOf: (thread: Pick<Thread, "by">) => string;
  readonly onSay: (verdict: Verdict | "none") => void;
}

function VerdictRow({ title, judgements, me, nameOf, onSay }: VerdictRowProps) {
  const mine = judgements.find((j) => j.by.key === me.key)?.verdict;
  const others = judgements.filter((j) => j.by.key !== me.key);
  return (
    <fieldset style={{ border: 0, margin: "14px 0 0", padding: 0 }}>
      <legend style={{ fontWeight: 600, fontSize: 15, padding: 0 }}>{title}</legend>
      <div className="row">
        {(["approved", "change"] as const).map((verdict) => (
          <button
            key={verdict}
            type="button"
            className="btn"
            aria-pressed={mine === verdict}
            onClick={() => onSay(mine === verdict ? "none" : verdict)}
          >
            {words[verdict]}
          </button>
        ))}
      </div>
      {others.map((j) => (
        <small key={j.by.key}>
          {nameOf(j)}: {words.verdictOf[j.verdict]}{" "}
        </small>
      ))}
    </fieldset>
  );
}
