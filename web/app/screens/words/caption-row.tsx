import { useEffect, useRef, useState } from "react";
import type { Photo } from "#core/photo";
import { formats, writing as say } from "../../../text/index.ts";
import { PhotoThumb } from "../../components/photo-thumb.tsx";
import css from "./words-screen.module.css";

export const EventRow = ({ name, height }: { readonly name: string; readonly height: number }) => (
  <h2 className={css.event} style={{ height }}>
    {name}
  </h2>
);

interface CaptionRowProps {
  readonly photo: Photo;
  readonly height: number;
  /** On which pages of the project it lies. */
  readonly pages: readonly number[];
  /** Others of its event that have no caption. */
  readonly others: readonly string[];
  readonly current: boolean;
  readonly onCurrent: () => void;
  readonly onGo: (by: -1 | 1) => void;
  readonly onKeep: (photoIds: readonly string[], caption: string) => void;
}

const most = 2000;

/** One photo and its caption. Kept when a person goes on. */
export function CaptionRow({ photo, height, pages, others, current, onCurrent, onGo, onKeep }: CaptionRowProps) {
  const field = useRef<HTMLTextAreaElement>(null);
  const [text, setText] = useState(photo.caption);
  useEffect(() => setText(photo.caption), [photo.caption]);
  useEffect(() => {
    if (current && document.activeElement !== field.current) field.current?.focus({ preventScroll: true });
  }, [current]);
  const keep = () => onKeep([photo.id], text.trim().slice(0, most));
  const onKeyDown = (e: React.KeyboardEvent<HTMLTextAreaElement>) => {
    e.stopPropagation();
    const { selectionStart, selectionEnd, value } = e.currentTarget;
    const [first, last] = [!value.slice(0, selectionStart).includes("\n"), !value.slice(selectionEnd).includes("\n")];
    const by =
      (e.key === "Enter" && !e.shiftKey) || (e.key === "ArrowDown" && last) ? 1 : e.key === "ArrowUp" && first ? -1 : 0;
    if (by !== 0) {
      e.preventDefault();
      keep();
      onGo(by);
    }
    if (e.key === "Escape") {
      setText(photo.caption);
      field.current?.blur();
    }
  };
  return (
    <div className={css.row} style={{ height }} data-current={current}>
      <div className={css.thumb}>
        <PhotoThumb photoId={photo.id} />
      </div>
      <textarea
        ref={field}
        className={css.caption}
        aria-label={say.caption(photo.name)}
        placeholder={say.nothing}
        rows={2}
        maxLength={most}
        spellCheck
        value={text}
        onChange={(e) => setText(e.currentTarget.value)}
        onFocus={onCurrent}
        onBlur={keep}
        onKeyDown={onKeyDown}
      />
      <div className={css.facts}>
        <span>{formats.takenDay(photo.takenAt)}</span>
        <span>{pages.length > 0 ? say.onPages(pages.join(", ")) : say.onNone}</span>
        {current && text.trim() !== "" && others.length > 0 && (
          <button
            type="button"
            className={css.also}
            onMouseDown={(e) => e.preventDefault()}
            onClick={() => onKeep([photo.id, ...others], text.trim().slice(0, most))}
          >
            {say.alsoEvent(others.length)}
          </button>
        )}
      </div>
    </div>
  );
}
