import { useEffect, useState } from "react";
import type { NamedSpan, PhotoEvent } from "#core/photo";
import { eventWords, formats, photos as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import css from "./photo-wall.module.css";

export function EventHeading({
  event,
  spans,
  h,
}: {
  readonly event: PhotoEvent;
  readonly spans: readonly NamedSpan[];
  readonly h: number;
}) {
  const { library, newId } = useServices();
  const name = event.span?.name ?? "";
  const [text, setText] = useState(name);
  useEffect(() => setText(name), [name]);
  const keep = () => {
    const tidy = text.trim().slice(0, 120);
    if (tidy === name) return;
    const others = spans.filter((s) => s !== event.span);
    const span = { id: event.span?.id ?? newId(), name: tidy, from: event.from, to: event.to };
    void library.nameSpans(tidy === "" ? others : [...others, span]);
  };
  const [from, to] = [formats.takenDay(event.from), formats.takenDay(event.to)];
  return (
    <div role="presentation" className={css.heading} style={{ height: h }}>
      <input
        aria-label={`${eventWords.name}, ${from}`}
        placeholder={eventWords.placeholder}
        value={text}
        maxLength={120}
        onChange={(e) => setText(e.target.value)}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === "Enter") e.currentTarget.blur();
          if (e.key === "Escape") setText(name);
        }}
        className={name ? `${css.name} ${css.named}` : css.name}
        style={{ width: `${Math.max(15, Math.min(44, text.length + 2))}ch` }}
      />
      <h2 className={name ? css.day : `${css.day} ${css.dayAlone}`}>{from === to ? from : `${from} – ${to}`}</h2>
      <span className={css.count}>{words.count(event.photoIds.length)}</span>
    </div>
  );
}
