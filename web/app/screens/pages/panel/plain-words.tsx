import { useEffect, useRef } from "react";
import { findTile } from "#core/document";
import { wordsOf } from "#core/scene";
import { mostLetters } from "#core/words";
import { words as say } from "../../../../text/index.ts";
import { typed } from "../../../state/edit/word-gestures.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { useProject, useSession } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import css from "./plain-words.module.css";

/** The same words in a field of the browser's own, which marks what it takes for misspelled, in the work's language. */
export function PlainWords({ tileId }: { readonly tileId: string }) {
  const session = useSession();
  const facts = useFacts();
  const language = useProject((s) => s.project.language);
  // Not as the panel has it, a moment later: what is typed would be lost on the way.
  const filling = useProject((s) => findTile(openPage(s), tileId)?.filling);
  const field = useRef<HTMLTextAreaElement>(null);
  useEffect(() => {
    const end = field.current?.value.length ?? 0;
    field.current?.focus();
    field.current?.setSelectionRange(end, end);
  }, []);
  if (filling?.kind !== "words") return null;
  return (
    <textarea
      ref={field}
      className={css.field}
      aria-label={say.plain}
      lang={language}
      spellCheck
      maxLength={mostLetters}
      value={wordsOf(filling, facts)}
      onChange={(e) => typed(session, tileId, e.currentTarget.value, facts)}
    />
  );
}
