import { ImagePlus, Layers, Square, Type } from "lucide-react";
import type { Waits } from "#core/document";
import { pages as words } from "../../../text/index.ts";
import css from "./waiting.module.css";

const icons = { photo: ImagePlus, paper: Layers, words: Type, nothing: Square };
/** In CSS pixels, the least shorter side with room for an icon, and for words beside it. */
const room = { icon: 40, words: 90 };

/** What an empty place is for, in words. */
export function sayWaiting(waits: Waits | undefined): string {
  if (!waits) return words.emptyTile;
  const { number } = { number: undefined, ...waits };
  if (waits.for === "words") return words.waits.words(waits.sample);
  return number === undefined ? words.waits[waits.for] : words.waitsNumbered(number);
}

/** What is to be seen in an empty place: its number, the drawer that fills it, an example of the words. */
export function Waiting({ waits, shortPx }: { readonly waits: Waits | undefined; readonly shortPx: number }) {
  const what = waits?.for ?? "photo";
  const Icon = icons[what];
  const number = waits?.for === "photo" ? waits.number : undefined;
  if (waits?.for === "words")
    return (
      <div className={css.hint}>
        {shortPx > room.words && <Icon size={20} aria-hidden />}
        <span className={css.sample}>{waits.sample || words.hints.words}</span>
      </div>
    );
  if (shortPx <= room.icon) return number === undefined ? null : <span className={css.number}>{number}</span>;
  return (
    <div className={css.hint}>
      {number === undefined ? <Icon size={20} aria-hidden /> : <span className={css.number}>{number}</span>}
      {shortPx > room.words && words.hints[what]}
    </div>
  );
}
