import { type KeyboardEvent, type PointerEvent, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { findPlaced } from "#core/document";
import { applyTo, inverse } from "#core/geometry";
import { laidWords, seenFrame, wordsMatrix, wordsOf } from "#core/scene";
import {
  caretAt,
  type LaidWords,
  lineEnds,
  mostLetters,
  offsetAt,
  offsetBeyond,
  selectionRects,
  spanAt,
  wordAround,
} from "#core/words";
import { words as say } from "../../../text/index.ts";
import { pastedHtml, pastedText } from "../../../words/pasted.ts";
import { hears } from "../../commands/hear.ts";
import type { Pressed } from "../../commands/keys.ts";
import { useServices } from "../../services.ts";
import { changeLetters, pasteWords, typed } from "../../state/edit/word-gestures.ts";
import { beginNote } from "../../state/notes/note-gestures.ts";
import { useFacts } from "../../state/session/facts.ts";
import { shownPlaced, useProject, useSession } from "../../state/session/hooks.ts";
import { type PageView, toPage } from "./page-view.ts";
import css from "./write-layer.module.css";

/** About the top left of what is turned. */
const turned = (radians: number | undefined): string | undefined => (radians ? `${radians}rad` : undefined);

/**
 * Words written in their place. A field that is not seen takes what is typed; the letters are the page's own, and the
 * caret and the selection are drawn where those letters stand, so that no line breaks otherwise than in print.
 */
export function WriteLayer({ view, tileId }: { readonly view: PageView; readonly tileId: string }) {
  const services = useServices();
  const { viewState } = services;
  const session = useSession();
  const facts = useFacts();
  const page = useProject(shownPlaced);
  const field = useRef<HTMLTextAreaElement>(null);
  const layer = useRef<HTMLDivElement>(null);
  const dragged = useRef<number>(undefined);
  const tile = findPlaced(page, tileId);
  const words = tile?.filling.kind === "words" ? tile.filling : undefined;
  const text = words ? wordsOf(words, facts) : "";
  const [marked, setMarked] = useState<readonly [number, number]>([text.length, text.length]);
  const { format } = page;
  const frame = useMemo(() => tile && seenFrame(tile.frame, format), [tile, format]);
  const laid = useMemo(() => (words && frame ? laidWords(words, frame, facts) : undefined), [words, frame, facts]);

  useEffect(() => {
    const { toMark } = viewState.getState();
    viewState.setState({ toMark: undefined });
    field.current?.focus();
    field.current?.setSelectionRange(toMark?.from ?? 0, toMark?.to ?? field.current.value.length);
  }, [viewState]);
  // Where the field shows something else than was typed, since it was pasted or since a part of it went on into another box, the caret would go to its end.
  const place = useRef<{ readonly at: number; readonly after: string | undefined }>(undefined);
  useLayoutEffect(() => {
    if (!place.current || !field.current) return;
    const { at, after } = place.current;
    place.current = undefined;
    if (field.current.value !== after) field.current.setSelectionRange(at, at);
  });
  const readMarks = () => {
    if (!field.current) return;
    const { selectionStart: from, selectionEnd: to } = field.current;
    setMarked([from, to]);
    viewState.setState({ marked: { from, to } });
  };
  useLayoutEffect(() => {
    const hear = () => document.activeElement === field.current && readMarks();
    document.addEventListener("selectionchange", hear);
    return () => document.removeEventListener("selectionchange", hear);
  });
  if (!words || !tile || !frame) return null;

  const mark = (from: number, to: number) => {
    field.current?.setSelectionRange(Math.min(from, to), Math.max(from, to), to < from ? "backward" : "forward");
    readMarks();
  };
  const offsetOf = (e: PointerEvent): number => {
    if (!laid || !layer.current) return 0;
    const box = layer.current.getBoundingClientRect();
    const at = toPage(view, { x: e.clientX - box.left, y: e.clientY - box.top });
    return offsetAt(laid, applyTo(inverse(wordsMatrix(frame, laid, words)), at));
  };
  const caretTo = (where: (laid: LaidWords, head: number) => number) => (e: Pressed) => {
    if (!laid || !field.current) return false;
    const { selectionStart, selectionEnd, selectionDirection } = field.current;
    const [anchor, head] =
      selectionDirection === "backward" ? [selectionEnd, selectionStart] : [selectionStart, selectionEnd];
    const to = where(laid, head);
    mark(e.shiftKey ? anchor : to, to);
    return true;
  };
  /** Of what is marked, or of the word that the caret stands in. */
  const toggle = (what: "bold" | "italic" | "underline") => {
    const stretch = marked[0] < marked[1] ? { from: marked[0], to: marked[1] } : wordAround(text, marked[0]);
    const on = (spanAt(words.spans, stretch.from)[what] ?? words.style[what]) === true;
    changeLetters(session, tile.id, { [what]: !on }, stretch, facts);
    return true;
  };
  const obeyKeys = hears("writing", {
    endWriting: () => viewState.setState({ writing: undefined }),
    lineUp: caretTo((laid, head) => offsetBeyond(laid, head, -1, text.length)),
    lineDown: caretTo((laid, head) => offsetBeyond(laid, head, 1, text.length)),
    lineStart: caretTo((laid, head) => lineEnds(laid, head).from),
    lineEnd: caretTo((laid, head) => lineEnds(laid, head).to),
    bold: () => toggle("bold"),
    italic: () => toggle("italic"),
    underline: () => toggle("underline"),
    undo: () => session.undo(),
    redo: () => session.redo(),
    note: () => {
      // The browser tells of a selection a moment after it was made.
      readMarks();
      return beginNote(services, session);
    },
  });
  const onKeyDown = (e: KeyboardEvent<HTMLTextAreaElement>) => {
    obeyKeys(e);
    // All keys are the text's while one writes.
    e.stopPropagation();
  };
  const caret = laid && marked[0] === marked[1] ? caretAt(laid, marked[0]) : undefined;
  const m = laid && wordsMatrix(frame, laid, words);
  const { scale, box } = view;
  return (
    <div
      ref={layer}
      className={css.layer}
      onPointerDown={(e) => {
        e.preventDefault();
        field.current?.focus();
        dragged.current = offsetOf(e);
        mark(dragged.current, dragged.current);
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => dragged.current !== undefined && mark(dragged.current, offsetOf(e))}
      onPointerUp={() => {
        dragged.current = undefined;
      }}
      data-testid="writing"
    >
      {m && laid && (
        <div
          className={css.words}
          style={{
            width: laid.size.w * scale,
            height: laid.size.h * scale,
            transform: `matrix(${m.a}, ${m.b}, ${m.c}, ${m.d}, ${(m.e - box.x) * scale}, ${(m.f - box.y) * scale})`,
          }}
        >
          {selectionRects(laid, marked[0], marked[1]).map((r) => (
            <div
              key={`${r.y} ${r.x}`}
              className={css.marked}
              style={{
                left: r.x * scale,
                top: r.y * scale,
                width: r.w * scale,
                height: r.h * scale,
                rotate: turned(r.turn),
              }}
            />
          ))}
          {caret && (
            <div
              className={css.caret}
              style={{
                left: caret.x * scale,
                top: caret.top * scale,
                height: caret.height * scale,
                rotate: turned(caret.turn),
              }}
            />
          )}
        </div>
      )}
      <textarea
        ref={field}
        className={css.field}
        aria-label={`${say.writing}. ${say.writingHelp}`}
        value={text}
        maxLength={mostLetters}
        // Until its font is there, the field's own lines are moved along.
        wrap="off"
        spellCheck={false}
        onPaste={(e) => {
          e.preventDefault();
          const html = e.clipboardData.getData("text/html");
          const plain = pastedText(e.clipboardData.getData("text/plain"));
          const pasted = html === "" ? { text: plain, spans: [] } : pastedHtml(html);
          const { selectionStart: from, selectionEnd: to } = e.currentTarget;
          const taken = pasteWords(
            session,
            tile.id,
            { from, to },
            pasted.text === "" ? { text: plain, spans: [] } : pasted,
            facts,
          );
          place.current = { at: from + taken, after: undefined };
        }}
        onChange={(e) => {
          const { value, selectionStart } = e.currentTarget;
          typed(session, tile.id, value, facts);
          place.current = { at: selectionStart, after: value };
          readMarks();
        }}
        onKeyDown={onKeyDown}
        onBlur={(e) => {
          // Into the panel and back is still writing; a click on the mat ends it.
          if (!(e.relatedTarget instanceof HTMLElement)) return;
          if (!e.relatedTarget.closest("aside, [role=menu]")) viewState.setState({ writing: undefined });
        }}
      />
    </div>
  );
}
