import { useState } from "react";
import type { ProofData, Thread } from "#core/notes";
import { reader as words } from "../text/index.ts";
import { type NumberedThread, offerSource } from "./leaf.tsx";
import type { Say } from "./say.ts";

interface ThreadCardProps {
  readonly data: ProofData;
  readonly numbered: NumberedThread;
  readonly open: boolean;
  /** Written by whoever reads. */
  readonly own: boolean;
  readonly nameOf: (thread: Pick<Thread, "by">) => string;
  readonly onOpen: () => void;
  readonly say: Say;
}

/** A note with its answers; one that is open can be answered, and one's own be changed. */
export function ThreadCard({ data, numbered: { thread, number }, open, own, nameOf, onOpen, say }: ThreadCardProps) {
  const [answer, setAnswer] = useState("");
  const [rewording, setRewording] = useState<string>();
  const offer = thread.swap === undefined ? -1 : data.offers.findIndex((o) => o.hash === thread.swap);
  const said = (
    <>
      <small>
        {number} · <b>{nameOf(thread)}</b> · {words.states[thread.state]}
      </small>
      <p>{thread.text}</p>
      {offer >= 0 && <img src={offerSource(offer)} alt={words.swapOf(data.offers[offer]!.name)} height={72} />}
      {thread.replies.map((r) => (
        <div key={r.id} className="reply">
          <small>{nameOf(r)}</small>
          <p>{r.text}</p>
        </div>
      ))}
    </>
  );
  if (!open)
    return (
      <button type="button" className="note" onClick={onOpen}>
        {said}
      </button>
    );
  return (
    <div className="note open">
      {said}
      {rewording === undefined ? (
        <>
          <textarea
            aria-label={words.reply}
            placeholder={words.reply}
            rows={2}
            maxLength={4000}
            value={answer}
            onChange={(e) => setAnswer(e.target.value)}
          />
          <div className="row">
            <button
              type="button"
              className="btn"
              disabled={answer.trim() === ""}
              onClick={() => {
                say({ does: "reply", to: thread.id, text: answer.trim() });
                setAnswer("");
              }}
            >
              {words.replyDo}
            </button>
            {own && (
              <>
                <button type="button" className="btn quiet" onClick={() => setRewording(thread.text)}>
                  {words.reword}
                </button>
                <button type="button" className="btn quiet" onClick={() => say({ does: "remove", to: thread.id })}>
                  {words.remove}
                </button>
              </>
            )}
          </div>
        </>
      ) : (
        <>
          <textarea
            aria-label={words.text}
            rows={3}
            maxLength={4000}
            value={rewording}
            onChange={(e) => setRewording(e.target.value)}
          />
          <div className="row">
            <button
              type="button"
              className="btn"
              disabled={rewording.trim() === ""}
              onClick={() => {
                say({ does: "reword", to: thread.id, text: rewording.trim() });
                setRewording(undefined);
              }}
            >
              {words.rewordDo}
            </button>
          </div>
        </>
      )}
    </div>
  );
}
