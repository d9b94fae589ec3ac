import { useDraggable } from "@dnd-kit/core";
import { ImageOff, Lock } from "lucide-react";
import { memo, useMemo, useRef, useState } from "react";
import type { Edge } from "#core/arrange";
import {
  arrangedOn,
  arrangedTiles,
  type Filling,
  findTile,
  frameRect,
  isLocked,
  type PlacedPage,
  type PlacedTile,
  photoIdOf,
  type Waits,
} from "#core/document";
import type { Dragged, DropMeaning } from "#core/edit";
import { tileMoved } from "#core/edit";
import { seenFrame } from "#core/scene";
import { ornaments, papers, pages as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import type { Pressed } from "../../commands/keys.ts";
import { useServices } from "../../services.ts";
import { emptyThem, takeAway } from "../../state/edit/page-gestures.ts";
import { keep } from "../../state/edit/tree-gestures.ts";
import { writeIn } from "../../state/edit/word-gestures.ts";
import { useFacts } from "../../state/session/facts.ts";
import { useLibrary, useSession, useViewState } from "../../state/session/hooks.ts";
import { openPage } from "../../state/session/project-session.ts";
import { choose } from "../../state/view-state/choose.ts";
import type { ViewStateStore } from "../../state/view-state/view-state.ts";
import { nearestToward, type PageView, placeOf } from "./page-view.ts";
import { showWhatFills } from "./shelf/shelf-size.ts";
import css from "./tile-layer.module.css";
import { sayWaiting, Waiting } from "./waiting.tsx";
import { HiddenWords, hiddenWords, sayWords } from "./word-facts.tsx";

/** How the frame round a tile is rounded, by its outline: of most it is a plain rectangle. */
function roundingOf({ outline, cornerMm }: PlacedTile, scale: number): number | string {
  if (outline.kind === "ellipse") return "50%";
  return outline.kind === "rectangle" ? cornerMm * scale : 0;
}

interface TileLayerProps {
  readonly view: PageView;
  readonly page: PlacedPage;
}

/** The tiles as things one can point at, choose, drag and name; their pictures are on the canvas beneath. */
export const TileLayer = memo(function TileLayer({ view, page }: TileLayerProps) {
  const services = useServices();
  const { viewState } = services;
  const session = useSession();
  const chosen = useViewState((s) => s.tiles.ids);
  const { dragged, meaning } = useViewState((s) => s.drop);
  const byId = useLibrary((s) => s.byId);
  const facts = useFacts();
  const [at, setAt] = useState<string>();
  const layer = useRef<HTMLDivElement>(null);
  const tiles = arrangedOn(page).filter((t) => !t.tile.hidden);
  const ids = tiles.map((t) => t.id);
  const stop = at !== undefined && ids.includes(at) ? at : ids[0];
  const target = targetOf(meaning);
  const deps = useMemo((): SpotHands => {
    const tileIds = () => arrangedTiles(openPage(session.state.getState())).map((t) => t.id);
    return {
      focus: setAt,
      pick: (id, held) => {
        viewState.setState((s) => ({ tiles: choose(s.tiles, tileIds(), id, held) }));
        const filling = findTile(openPage(session.state.getState()), id)?.filling;
        if (filling?.kind === "empty") showWhatFills(viewState, filling.waits?.for ?? "photo");
      },
      menu: (id) => !viewState.getState().tiles.ids.has(id) && chooseOnly(viewState, id),
      open: (id, kind) => {
        if (kind === "empty") return writeIn(services, session, id);
        chooseOnly(viewState, id);
        viewState.setState(kind === "words" ? { writing: id } : { reframing: id, brushing: false });
      },
    };
  }, [services, viewState, session]);

  const toward = (e: Pressed) =>
    stop === undefined
      ? undefined
      : nearestToward(
          tiles.map((t) => ({ id: t.id, ...frameRect(t.frame) })),
          stop,
          e.key,
        );
  const pick = (e: Pressed) =>
    stop !== undefined && deps.pick(stop, { shift: e.shiftKey, ctrl: e.ctrlKey || e.metaKey });
  /** What is chosen is removed together, by the page's own keys. */
  const unlessChosen = (does: (id: string) => void) => () => {
    if (stop === undefined || chosen.has(stop)) return false;
    does(stop);
    return true;
  };
  const onKeyDown = hears("tiles", {
    toNext: (e) => layer.current?.querySelector<HTMLElement>(`[data-tile="${toward(e)}"]`)?.focus(),
    movePast: (e) => {
      const next = toward(e);
      if (stop !== undefined && next)
        keep(session, "arrangedAnew", 1, tileMoved(stop, { tileId: next, edge: edgeOf[e.key]! }));
    },
    choose: pick,
    chooseToo: pick,
    open: () => {
      const filling = tiles.find((t) => t.id === stop)?.filling;
      if (stop !== undefined && filling && opens(filling)) deps.open(stop, filling.kind);
    },
    emptyThis: unlessChosen((id) => emptyThem(session, [id])),
    takeThisAway: unlessChosen((id) => takeAway(session, [id])),
  });

  const { format } = page;

  return (
    <div
      ref={layer}
      role="listbox"
      aria-multiselectable
      aria-label={words.title}
      className={css.layer}
      onKeyDown={onKeyDown}
    >
      {tiles.map((tile, i) => {
        const photoId = photoIdOf(tile);
        const photo = byId.get(photoId ?? "");
        const rect = frameRect(tile.frame);
        const { left, top, width, height } = placeOf(view, rect);
        const { kind } = tile.filling;
        const written = tile.filling.kind === "words" ? tile.filling : undefined;
        const what = written
          ? sayWords(written, facts)
          : tile.filling.kind === "empty"
            ? sayWaiting(tile.filling.waits)
            : kind === "colour"
              ? words.colourTile
              : tile.filling.kind === "paper"
                ? papers.nameOf(tile.filling.paper.design)
                : tile.filling.kind === "ornament"
                  ? ornaments.nameOf(tile.filling.ornament.design)
                  : photo
                    ? photo.caption || photo.name
                    : words.photoGone;
        return (
          <TileSpot
            key={tile.id}
            id={tile.id}
            left={left}
            top={top}
            width={width}
            height={height}
            shortPx={Math.min(rect.w, rect.h) * view.scale}
            corner={roundingOf(tile, view.scale)}
            shape={shapeOf(tile)}
            label={words.tile(i + 1, tiles.length, what)}
            kind={kind === "photo" && !photo ? "missing" : kind}
            waits={tile.filling.kind === "empty" ? tile.filling.waits : undefined}
            locked={isLocked(tile.tile)}
            hidden={written ? hiddenWords(written, seenFrame(tile.frame, format), facts) : 0}
            chosen={chosen.has(tile.id)}
            stop={tile.id === stop}
            own={dragged?.from === "tile" && dragged.tileId === tile.id}
            meaning={target !== tile.id ? undefined : meaning.does === "swap" && kind === "photo" ? "swap" : "put"}
            deps={deps}
          />
        );
      })}
    </div>
  );
});

/** The line of a tile that is no rectangle, in shares of its box: what a hand has to be on, and where it shows that it is chosen. */
const shapeOf = ({ outline }: PlacedTile): string | undefined =>
  outline.kind === "path" ? outline.path.map(([to, ...at]) => `${to}${at.join(" ")}`).join("") : undefined;

/** Whether Enter and a double click go into it: a photo is reframed, words and a place for them are written in. */
const opens = (filling: { readonly kind: Filling["kind"]; readonly waits?: Waits | undefined }): boolean =>
  filling.kind === "photo" || filling.kind === "words" || filling.waits?.for === "words";

/** A cell that is no rectangle has room for an icon, and not for a line of words. */
const narrowPx = 80;

const chooseOnly = (viewState: ViewStateStore, id: string) =>
  viewState.setState({ tiles: { ids: new Set([id]), anchor: id } });

/** Moved past its neighbour, a tile comes to lie on that one's far side. */
const edgeOf: Record<string, Edge> = {
  ArrowLeft: "left",
  ArrowRight: "right",
  ArrowUp: "top",
  ArrowDown: "bottom",
};

const targetOf = (m: DropMeaning): string | undefined =>
  m.does === "put" ? m.tileId : m.does === "swap" ? m.withTileId : undefined;

/** What is done to a tile; the same object for as long as the layer stands. */
interface SpotHands {
  focus(id: string): void;
  pick(id: string, held: { readonly shift: boolean; readonly ctrl: boolean }): void;
  menu(id: string): void;
  open(id: string, kind: Filling["kind"]): void;
}

interface TileSpotProps {
  readonly id: string;
  readonly left: string;
  readonly top: string;
  readonly width: string;
  readonly height: string;
  readonly shortPx: number;
  /** As CSS has it: pixels, or half of each side. */
  readonly corner: number | string;
  /** As an SVG path over a box of 1 by 1. */
  readonly shape: string | undefined;
  readonly label: string;
  readonly kind: Filling["kind"] | "missing";
  /** Of an empty one, what a template made it for. */
  readonly waits: Waits | undefined;
  readonly locked: boolean;
  /** So many words found no room. */
  readonly hidden: number;
  readonly chosen: boolean;
  readonly stop: boolean;
  /** It is the one being dragged. */
  readonly own: boolean;
  /** What letting go here would do now. */
  readonly meaning: "put" | "swap" | undefined;
  readonly deps: SpotHands;
}

const TileSpot = memo(function TileSpot(props: TileSpotProps) {
  const { id, left, top, width, height, shortPx, corner, shape, label, kind, locked } = props;
  const { waits, hidden, chosen, stop, own, meaning, deps } = props;
  const drag = useDraggable({
    id: `tile-${id}`,
    data: { from: "tile", tileId: id } satisfies Dragged,
    disabled: kind !== "photo" && kind !== "words" && kind !== "missing",
  });
  const bare = kind === "empty" || kind === "missing";
  const looks = [
    css.tile,
    shape && css.shaped,
    bare && css.bare,
    kind === "empty" && css.empty,
    own && css.own,
    chosen && css.chosen,
    meaning && css.target,
  ];
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the layer hears the keys for all of its tiles
    <div
      ref={drag.setNodeRef}
      {...drag.listeners}
      role="option"
      aria-selected={chosen}
      aria-label={label}
      tabIndex={stop ? 0 : -1}
      data-tile={id}
      className={looks.filter(Boolean).join(" ")}
      style={{ left, top, width, height, borderRadius: corner }}
      onFocus={() => deps.focus(id)}
      onClick={(e) => deps.pick(id, { shift: e.shiftKey, ctrl: e.ctrlKey || e.metaKey })}
      onContextMenu={() => deps.menu(id)}
      onDoubleClick={() => kind !== "missing" && opens({ kind, waits }) && deps.open(id, kind)}
    >
      {shape && (
        <svg className={css.shape} viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden>
          <path className={css.halo} d={shape} vectorEffect="non-scaling-stroke" />
          <path className={css.rim} d={shape} vectorEffect="non-scaling-stroke" />
        </svg>
      )}
      {locked && (
        <span className={css.lock}>
          <Lock size={12} aria-label={words.locked} />
        </span>
      )}
      {hidden > 0 && <HiddenWords count={hidden} />}
      {kind === "missing" && shortPx > 54 && (
        <div className={css.hint}>
          <ImageOff size={20} aria-hidden />
          {shortPx > 90 && words.photoGone}
        </div>
      )}
      {kind === "empty" && <Waiting waits={waits} shortPx={shape ? Math.min(shortPx, narrowPx) : shortPx} />}
      {meaning && shortPx > 54 && (
        <span className={css.meaning}>{meaning === "swap" ? words.dropSwap : words.dropPut}</span>
      )}
    </div>
  );
});
