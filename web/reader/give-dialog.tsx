import { useState } from "react";
import type { Author, NoteEvent, ProofData } from "#core/notes";
import { reader as words } from "../text/index.ts";
import { asFile, asText, fileNameOf, notesFileOf } from "./give-back.ts";
import { Modal } from "./modal.tsx";

interface GiveBackProps {
  readonly data: ProofData;
  readonly events: readonly NoteEvent[];
  readonly me: Author;
  readonly onName: () => void;
  readonly onClose: () => void;
}

/** All that was said here, as a file or as a text. */
export function GiveBack({ data, events, me, onName, onClose }: GiveBackProps) {
  const [told, setTold] = useState("");
  const [byHand, setByHand] = useState(false);
  const file = notesFileOf(data, events);
  const text = asText(file, words.mailLead(data.workName));
  const save = () => {
    const name = fileNameOf(data, me.name);
    const url = URL.createObjectURL(new Blob([asFile(file)], { type: "application/json" }));
    const link = document.createElement("a");
    link.href = url;
    link.download = name;
    link.click();
    setTimeout(() => URL.revokeObjectURL(url), 60_000);
    setTold(words.giveSaved(name));
  };
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(text);
      setTold(words.giveCopied);
    } catch {
      setByHand(true);
      setTold(words.giveByHand);
    }
  };
  return (
    <Modal title={words.giveTitle} onClose={onClose}>
      {file.events.length === 0 ? (
        <p>{words.giveNone}</p>
      ) : (
        <>
          <p>{words.giveLead(data.maker.name)}</p>
          <p>
            {words.name}: <b>{me.name || words.somebody}</b>{" "}
            <button type="button" className="btn quiet" onClick={onName}>
              {words.reword}
            </button>
          </p>
          <div className="row">
            <button type="button" className="btn main" onClick={save}>
              {words.giveSave}
            </button>
            <button type="button" className="btn" onClick={() => void copy()}>
              {words.giveCopy}
            </button>
          </div>
          {byHand && (
            <textarea aria-label={words.giveText} rows={6} readOnly value={text} onFocus={(e) => e.target.select()} />
          )}
        </>
      )}
      <p role="status">{told}</p>
      <div className="row">
        <button type="button" className="btn" onClick={onClose}>
          {words.close}
        </button>
      </div>
    </Modal>
  );
}
