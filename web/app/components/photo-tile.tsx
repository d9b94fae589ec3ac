import { CalendarSearch, Check, Layers, Star } from "lucide-react";
import { memo } from "react";
import type { Photo } from "#core/photo";
import { chosenWords, eventWords, formats, photos as words } from "../../text/index.ts";
import { PhotoThumb } from "./photo-thumb.tsx";
import css from "./photo-tile.module.css";

/** What a list does when something is done to one of its photos; the same object for as long as the list stands. */
export interface TileHandlers {
  pick(photoId: string, held: { readonly shift: boolean; readonly ctrl: boolean }): void;
  focus(photoId: string): void;
  open?(photoId: string): void;
  togglePile?(photoId: string): void;
}

interface PhotoTileProps {
  readonly photo: Photo;
  readonly chosen: boolean;
  /** Whether the tab key stops here; one of a list does. */
  readonly stop: boolean;
  /** Where it is used, as page numbers; nothing for nowhere. */
  readonly onPages: readonly number[] | undefined;
  readonly w: number;
  readonly h: number;
  readonly deps: TileHandlers;
  /** Where it lies on top of a pile: how many there are, and whether they are spread out. */
  readonly pileCount?: number | undefined;
  readonly pileOpen?: boolean | undefined;
}

/** A photo in a list one can choose from. Remembered by its properties: a list of thousands changes one at a time. */
export const PhotoTile = memo(function PhotoTile({
  photo,
  chosen,
  stop,
  onPages = nowhere,
  w,
  h,
  deps,
  pileCount,
  pileOpen,
}: PhotoTileProps) {
  const label = [
    words.label(photo.name, formats.takenMoment(photo.takenAt), photo.caption),
    ...(photo.stars > 0 ? [chosenWords.stars(photo.stars)] : []),
    ...(pileCount ? [eventWords.pile(pileCount)] : []),
    ...(photo.takenFrom === "file" && photo.section === "photos" ? [words.dateGuessed] : []),
    ...onPages.map(words.onPage),
  ];
  const pileWords = pileOpen ? eventWords.pileOpen : eventWords.pile(pileCount ?? 0);
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the list around it hears the keys
    <div
      role="option"
      aria-selected={chosen}
      aria-label={label.join(", ")}
      tabIndex={stop ? 0 : -1}
      data-photo={photo.id}
      className={css.tile}
      style={{ width: w, height: h }}
      onClick={(e) => deps.pick(photo.id, { shift: e.shiftKey, ctrl: e.ctrlKey || e.metaKey })}
      onFocus={() => deps.focus(photo.id)}
      onDoubleClick={() => deps.open?.(photo.id)}
      title={photo.caption || photo.name}
    >
      <div className={photo.hidden ? `${css.picture} ${css.hidden}` : css.picture}>
        <PhotoThumb photoId={photo.id} fit={photo.section === "ornaments" ? "contain" : "cover"} />
      </div>
      {photo.takenFrom === "file" && photo.section === "photos" && (
        <span className={css.guessed} title={words.dateGuessed}>
          <CalendarSearch size={13} aria-hidden />
        </span>
      )}
      {photo.stars > 0 && (
        <span className={css.stars} aria-hidden>
          {Array.from({ length: photo.stars }, (_, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: stars have nothing but their place
            <Star key={i} size={13} fill="currentColor" />
          ))}
        </span>
      )}
      {pileCount !== undefined && (
        <button
          type="button"
          tabIndex={-1}
          aria-label={pileWords}
          aria-pressed={pileOpen}
          title={pileWords}
          className={css.pile}
          onClick={(e) => {
            e.stopPropagation();
            deps.togglePile?.(photo.id);
          }}
        >
          <Layers size={14} aria-hidden /> {pileCount}
        </button>
      )}
      {chosen && (
        <>
          <span className={css.ring} />
          <span className={css.check}>
            <Check size={14} strokeWidth={3} aria-hidden />
          </span>
        </>
      )}
      {onPages.length > 0 && <span className={css.pages}>{onPages.join(", ")}</span>}
    </div>
  );
});

const nowhere: readonly number[] = [];
