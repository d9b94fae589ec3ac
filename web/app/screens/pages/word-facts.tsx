import { Type } from "lucide-react";
import type { Frame, Words } from "#core/document";
import { laidWords, type SceneFacts, wordsOf } from "#core/scene";
import { words as say } from "../../../text/index.ts";
import css from "./tile-layer.module.css";

/** What a tile of words says, for whoever has it read out. */
export function sayWords(words: Words, facts: SceneFacts): string {
  const text = wordsOf(words, facts);
  return words.card && text.trim() === "" ? say.blankCard : say.tile(text);
}

/** How many words find no room in their tile. */
export function hiddenWords(words: Words, frame: Frame, facts: SceneFacts): number {
  if (!facts.setter) return 0;
  return laidWords(words, frame, facts)?.hidden ?? 0;
}

/** The mark on a tile that shows too little of what is written in it. */
export function HiddenWords({ count }: { readonly count: number }) {
  return (
    <span className={css.hidden} title={say.hiddenWhy}>
      <Type size={12} aria-hidden /> {say.hidden(count)}
    </span>
  );
}
