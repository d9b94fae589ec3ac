import { type PointerEvent, useRef, useState } from "react";
import { applyTo, inverse, type Rect } from "#core/geometry";
import type { NoteEvent, NotePlace, Thread } from "#core/notes";
import { type ProofLeaf, type ProofTile, pointOn, proofParts, shareOf } from "#core/notes";
import { reader as words } from "../text/index.ts";

/** A note that is being written: what it is about, and the state of that. */
export interface Draft {
  readonly place: NotePlace;
  readonly mark: string;
  readonly crop?: Extract<NoteEvent, { does: "note" }>["crop"];
  readonly swap?: string;
  /** A crop is drawn next. */
  readonly drawing?: boolean;
}

export interface NumberedThread {
  readonly thread: Thread;
  readonly number: number;
}

interface LeafProps {
  readonly leaf: ProofLeaf;
  readonly index: number;
  /** CSS pixels for one mm. */
  readonly scale: number;
  readonly threads: readonly NumberedThread[];
  readonly openId: string | undefined;
  readonly nameOf: (thread: Thread) => string;
  readonly pointing: boolean;
  readonly draft: Draft | undefined;
  readonly onPoint: (draft: Draft) => void;
  readonly onCrop: (crop: Rect) => void;
  readonly onOpen: (threadId: string) => void;
}

const sourceOf = (id: string): string => (document.getElementById(id) as HTMLImageElement | null)?.src ?? "";

export const offerSource = (i: number): string => sourceOf(proofParts.offer(i));

export const tileById = (leaf: ProofLeaf, id: string): ProofTile | undefined => leaf.tiles.find((t) => t.id === id);

const framed = (t: ProofTile) => ({ frame: { centre: t.centre, width: t.width, height: t.height, turn: t.turn } });
export const placeOn = (
  leaf: ProofLeaf,
  tile: ProofTile,
  at: { readonly x: number; readonly y: number },
): NotePlace => {
  const base = { pageId: leaf.pageId, tileId: tile.id, within: shareOf(framed(tile), at), near: at };
  return tile.photo ? { on: "photo", ...base, photo: tile.photo.hash } : { on: "tile", ...base };
};

/** Where a note stands on a leaf, in mm of its page; nothing where it stands on another, or on all of it. */
export function pinAt(leaf: ProofLeaf, place: NotePlace): { readonly x: number; readonly y: number } | undefined {
  if (place.on === "book" || place.on === "page" || place.pageId !== leaf.pageId) return undefined;
  if (place.on === "point") return place.at;
  const tile = tileById(leaf, place.tileId);
  return tile ? pointOn(framed(tile), place.within) : place.near;
}

/** One side of the opening: its picture, its words to be marked, its notes. */
export function Leaf({
  leaf,
  index,
  scale,
  threads,
  openId,
  nameOf,
  pointing,
  draft,
  onPoint,
  onCrop,
  onOpen,
}: LeafProps) {
  const { box } = leaf;
  const pixels = (p: { readonly x: number; readonly y: number }) => ({
    left: (p.x - box.x) * scale,
    top: (p.y - box.y) * scale,
  });
  const inside = (p: { readonly x: number; readonly y: number }) => p.x >= box.x && p.x <= box.x + box.w;
  const pointAt = (e: { readonly clientX: number; readonly clientY: number; readonly currentTarget: Element }) => {
    const r = e.currentTarget.closest(".leaf")!.getBoundingClientRect();
    return { x: (e.clientX - r.left) / scale + box.x, y: (e.clientY - r.top) / scale + box.y };
  };
  const name = words.leaf(leaf.label);
  let aside = 0;
  const draftTile = draft && "tileId" in draft.place ? tileById(leaf, draft.place.tileId) : undefined;
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions lint/a11y/useKeyWithClickEvents: by key a note is begun on the page or on a photo
    <div
      className={pointing ? "leaf pointing" : "leaf"}
      data-leaf={leaf.pageId}
      style={{ width: box.w * scale, height: box.h * scale }}
      onClick={(e) => {
        if (pointing) onPoint({ place: { on: "point", pageId: leaf.pageId, at: pointAt(e) }, mark: leaf.noteMark });
      }}
    >
      <img src={sourceOf(proofParts.leaf(index))} alt={name} draggable={false} />
      {leaf.tiles.map((tile, i) => (
        <button
          key={tile.id}
          type="button"
          className="tile"
          aria-label={`${words.about[tile.photo ? "photo" : "tile"]}, ${i + 1}, ${name}`}
          style={{
            ...pixels({ x: tile.centre.x - tile.width / 2, y: tile.centre.y - tile.height / 2 }),
            width: tile.width * scale,
            height: tile.height * scale,
            transform: `rotate(${tile.turn}deg)`,
          }}
          onClick={(e) => {
            e.stopPropagation();
            const at = e.detail === 0 ? tile.centre : pointAt(e);
            onPoint({ place: placeOn(leaf, tile, at), mark: tile.mark });
          }}
        />
      ))}
      {leaf.words.map((w) => (
        <div key={w.tileId} data-words={w.tileId}>
          {w.lines.map((line) => (
            <span
              key={line.from}
              className="line"
              data-from={line.from}
              style={{
                ...pixels(line),
                width: line.w * scale,
                height: line.h * scale,
                fontSize: line.h * scale * 0.78,
                transform: `rotate(${line.turn}deg)`,
              }}
            >
              {w.text.slice(line.from, line.to)}
            </span>
          ))}
        </div>
      ))}
      {threads.map(({ thread, number }) => {
        const at = pinAt(leaf, thread.place);
        if (at ? !inside(at) : thread.place.on !== "page" || thread.place.pageId !== leaf.pageId) return null;
        const place = at ? pixels(at) : { left: 22 + 34 * aside, top: 34 };
        if (!at) aside += 1;
        return (
          <button
            key={thread.id}
            type="button"
            className="pin"
            data-state={thread.state}
            data-open={thread.id === openId || undefined}
            style={place}
            title={thread.text}
            aria-label={words.pin(number, nameOf(thread), thread.text)}
            onClick={(e) => {
              e.stopPropagation();
              onOpen(thread.id);
            }}
          >
            {number}
          </button>
        );
      })}
      {draftTile?.photo && (draft?.drawing || draft?.crop) && (
        <CropFrame
          leaf={leaf}
          scale={scale}
          place={draftTile.photo.place}
          crop={draft.drawing ? undefined : draft.crop}
          onCrop={onCrop}
        />
      )}
    </div>
  );
}

interface CropFrameProps {
  readonly leaf: ProofLeaf;
  readonly scale: number;
  /** The photo's unit square to the page. */
  readonly place: readonly number[];
  readonly crop: Rect | undefined;
  readonly onCrop: (crop: Rect) => void;
}

/** A frame that is drawn over a photo, or was. Kept in shares of the photo, so that it means the same wherever that lies. */
function CropFrame({ leaf, scale, place, crop, onCrop }: CropFrameProps) {
  const { box } = leaf;
  const [a, b, c, d, e, f] = place as [number, number, number, number, number, number];
  const matrix = { a, b, c, d, e, f };
  const from = useRef<{ readonly x: number; readonly y: number }>(undefined);
  const [drawn, setDrawn] = useState<Rect>();
  const pointAt = (ev: PointerEvent) => {
    const r = ev.currentTarget.getBoundingClientRect();
    return { x: (ev.clientX - r.left) / scale + box.x, y: (ev.clientY - r.top) / scale + box.y };
  };
  const around = (p: { x: number; y: number }, q: { x: number; y: number }): Rect => ({
    x: Math.min(p.x, q.x),
    y: Math.min(p.y, q.y),
    w: Math.abs(p.x - q.x),
    h: Math.abs(p.y - q.y),
  });
  const onPage = crop
    ? around(applyTo(matrix, crop), applyTo(matrix, { x: crop.x + crop.w, y: crop.y + crop.h }))
    : drawn;
  const end = () => {
    from.current = undefined;
    if (!drawn || drawn.w * scale < 8 || drawn.h * scale < 8) return;
    const back = inverse(matrix);
    const corners = [
      applyTo(back, drawn),
      applyTo(back, { x: drawn.x + drawn.w, y: drawn.y }),
      applyTo(back, { x: drawn.x, y: drawn.y + drawn.h }),
      applyTo(back, { x: drawn.x + drawn.w, y: drawn.y + drawn.h }),
    ];
    const share = (v: number) => Math.min(1, Math.max(0, v));
    const [x0, x1] = [Math.min, Math.max].map((m) => share(m(...corners.map((p) => p.x)))) as [number, number];
    const [y0, y1] = [Math.min, Math.max].map((m) => share(m(...corners.map((p) => p.y)))) as [number, number];
    setDrawn(undefined);
    if (x1 - x0 > 0.01 && y1 - y0 > 0.01) onCrop({ x: x0, y: y0, w: x1 - x0, h: y1 - y0 });
  };
  return (
    <svg
      className={crop ? "crop shown" : "crop"}
      role="img"
      aria-label={words.cropHelp}
      onPointerDown={(ev) => {
        from.current = pointAt(ev);
        ev.currentTarget.setPointerCapture(ev.pointerId);
      }}
      onPointerMove={(ev) => from.current && setDrawn(around(from.current, pointAt(ev)))}
      onPointerUp={end}
    >
      {onPage &&
        ["under", "over"].map((k) => (
          <rect
            key={k}
            x={(onPage.x - box.x) * scale}
            y={(onPage.y - box.y) * scale}
            width={onPage.w * scale}
            height={onPage.h * scale}
          />
        ))}
    </svg>
  );
}
