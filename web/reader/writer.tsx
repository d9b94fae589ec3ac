import { useEffect, useRef, useState } from "react";
import type { NotePlace, ProofData, ProofLeaf } from "#core/notes";
import { reader as words } from "../text/index.ts";
import { type Draft, offerSource, tileById } from "./leaf.tsx";

interface WriterProps {
  readonly data: ProofData;
  readonly draft: Draft;
  /** The one that it is about, where it is about one. */
  readonly leaf: ProofLeaf | undefined;
  readonly onDraft: (draft: Draft | undefined) => void;
  readonly onKeep: (text: string) => void;
}

/** What a note says when only a crop was drawn or a photo chosen. */
const sayingFor = ({ crop, swap }: Draft): string => (swap ? words.swapText : crop ? words.cropText : "");

/** A new note. About a photo, another crop or another photo can be asked for with it. */
export function Writer({ data, draft, leaf, onDraft, onKeep }: WriterProps) {
  const [text, setText] = useState("");
  const [choosing, setChoosing] = useState(false);
  const field = useRef<HTMLTextAreaElement>(null);
  useEffect(() => field.current?.focus(), []);
  const { place } = draft;
  const onPage: NotePlace | undefined = place.on === "book" ? undefined : { on: "page", pageId: place.pageId };
  const photo = leaf && place.on === "photo" ? tileById(leaf, place.tileId)?.photo : undefined;
  const said = text.trim() || sayingFor(draft);
  const keep = () => said !== "" && onKeep(said);
  return (
    <>
      <h2>{words.about[place.on]}</h2>
      {place.on === "words" && <blockquote style={{ margin: "0 0 8px" }}>“{place.quote}”</blockquote>}
      {onPage && place.on !== "page" && leaf && (
        <button type="button" className="btn quiet" onClick={() => onDraft({ place: onPage, mark: leaf.noteMark })}>
          {words.about.page}
        </button>
      )}
      <textarea
        ref={field}
        aria-label={words.text}
        placeholder={sayingFor(draft) || words.textPlace}
        rows={5}
        maxLength={4000}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === "Enter" && (e.ctrlKey || e.metaKey)) keep();
          if (e.key === "Escape") onDraft(undefined);
        }}
      />
      {photo && leaf && (
        <div className="row">
          <button
            type="button"
            className="btn"
            aria-pressed={draft.drawing === true || draft.crop !== undefined}
            onClick={() => {
              const { crop: _, drawing: __, ...rest } = draft;
              onDraft(draft.crop || draft.drawing ? rest : { ...rest, drawing: true });
            }}
          >
            {words.crop}
          </button>
          {leaf.offers.length > 0 && (
            <button type="button" className="btn" aria-pressed={choosing} onClick={() => setChoosing(!choosing)}>
              {words.swap}
            </button>
          )}
        </div>
      )}
      {draft.drawing && <p className="hint">{words.cropHelp}</p>}
      {draft.crop && <p className="hint">{words.cropDrawn}</p>}
      {choosing && leaf && (
        <>
          <p className="hint">{draft.swap ? words.swapChosen : words.swapHelp}</p>
          <div className="offers">
            {leaf.offers.map((i) => {
              const { hash, name } = data.offers[i]!;
              const { swap: _, ...rest } = draft;
              return (
                <button
                  key={hash}
                  type="button"
                  className="offer"
                  aria-label={words.swapOf(name)}
                  aria-pressed={draft.swap === hash}
                  onClick={() => onDraft(draft.swap === hash ? rest : { ...draft, swap: hash })}
                >
                  <img src={offerSource(i)} alt="" />
                </button>
              );
            })}
          </div>
        </>
      )}
      <div className="row">
        <button type="button" className="btn main" disabled={said === ""} onClick={keep}>
          {words.keep}
        </button>
        <button type="button" className="btn" onClick={() => onDraft(undefined)}>
          {words.cancel}
        </button>
      </div>
    </>
  );
}
