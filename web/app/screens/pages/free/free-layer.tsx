import { memo } from "react";
import { freeTiles, isArranged, isLocked, type PlacedPage, type PlacedTile } from "#core/document";
import { chosenTied, movedBy, resized, turnedAbout } from "#core/edit";
import { wordsOf } from "#core/scene";
import { free as freeWords, ornaments, papers, words as say } from "../../../../text/index.ts";
import { hears } from "../../../commands/hear.ts";
import { arrow, type Pressed } from "../../../commands/keys.ts";
import { useServices } from "../../../services.ts";
import { editFrames, tieChosen } from "../../../state/edit/free-gestures.ts";
import { openToWrite, takeOff, writeIn } from "../../../state/edit/word-gestures.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { useProject, useSession, useViewState } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { choose } from "../../../state/view-state/choose.ts";
import { frameOf, type PageView } from "../page-view.ts";
import { showWhatFills } from "../shelf/shelf-size.ts";
import { sayWaiting, Waiting } from "../waiting.tsx";
import { HiddenWords, hiddenWords, sayWords } from "../word-facts.tsx";
import { FreeGrips } from "./free-grips.tsx";
import css from "./free-layer.module.css";
import { SnapMarks } from "./snap-marks.tsx";
import { type FreePull, usePull } from "./use-pull.ts";

const nudgeMm = { move: 1, moveFar: 10, moveFine: 0.1 } as const;

interface FreeLayerProps {
  readonly view: PageView;
  readonly page: PlacedPage;
  /** The page without the gesture that is going on. */
  readonly settled: PlacedPage;
}

/**
 * What lies freely on the page, to take hold of: moved by dragging it, sized and turned by its grips, one or several at once. What is dragged is shown by the
 * picture and by a frame; what can be pointed at follows when it is let go, so that hundreds of tiles cost the hand nothing.
 */
export function FreeLayer({ view, page, settled }: FreeLayerProps) {
  const chosen = useViewState((s) => s.tiles.ids);
  const writing = useViewState((s) => s.writing !== undefined || s.reframing !== undefined);
  const unit = useProject((s) => s.project.unit);
  const { pull, now } = usePull(view);
  const gripped = writing
    ? []
    : page.tiles.filter((t) => chosen.has(t.id) && !isArranged(t) && !isLocked(t.tile)).map((t) => t.frame);
  return (
    <div className={now ? css.pulling : undefined}>
      <FreeSpots view={view} page={now ? settled : page} pull={pull} />
      <div className={css.layer}>
        {now &&
          gripped.map((frame, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a frame has nothing but its place
            <div key={i} className={css.ring} data-ring style={frameOf(view, frame)} />
          ))}
        <FreeGrips view={view} frames={gripped} pull={pull} />
      </div>
      {now && <SnapMarks view={view} now={now} unit={unit} ppi={page.format.ppi} />}
    </div>
  );
}

interface FreeSpotsProps {
  readonly view: PageView;
  readonly page: PlacedPage;
  readonly pull: FreePull;
}

const FreeSpots = memo(function FreeSpots({ view, page, pull }: FreeSpotsProps) {
  const free = page.tiles.filter((t) => !isArranged(t));
  if (free.length === 0) return null;
  return (
    <div role="listbox" aria-multiselectable aria-label={say.freeTiles} className={css.layer}>
      {free.map((tile, i) => (
        <FreeSpot key={tile.id} tile={tile} at={i + 1} of={free.length} view={view} pull={pull} />
      ))}
    </div>
  );
});

interface FreeSpotProps {
  readonly tile: PlacedTile;
  /** Its place among those that lie freely, from the back. */
  readonly at: number;
  readonly of: number;
  readonly view: PageView;
  readonly pull: FreePull;
}

const FreeSpot = memo(function FreeSpot({ tile, at, of, view, pull }: FreeSpotProps) {
  const services = useServices();
  const { viewState } = services;
  const session = useSession();
  const facts = useFacts();
  const chosen = useViewState((s) => s.tiles.ids.has(tile.id));
  const writing = useViewState((s) => s.writing === tile.id);
  const written = tile.filling.kind === "words" ? tile.filling : undefined;
  const empty = written && !written.card && wordsOf(written, facts).trim() === "";
  const pick = (e: Pick<Pressed, "shiftKey" | "ctrlKey" | "metaKey">) => {
    const page = openPage(session.state.getState());
    const ids = freeTiles(page).map((t) => t.id);
    if (waits) showWhatFills(viewState, waits.for);
    viewState.setState((s) => {
      const next = choose(s.tiles, ids, tile.id, { shift: e.shiftKey, ctrl: e.ctrlKey || e.metaKey });
      return { tiles: { ...next, ids: chosenTied(page, tile.id, s.tiles.ids, next.ids) } };
    });
  };
  const waits = tile.filling.kind === "empty" ? tile.filling.waits : undefined;
  const open = () => {
    if (written) return openToWrite({ viewState }, tile.id);
    if (waits?.for === "words") return writeIn(services, session, tile.id);
    if (tile.filling.kind === "photo") viewState.setState({ tiles: only, reframing: tile.id, brushing: false });
  };
  const only = { ids: new Set([tile.id]), anchor: tile.id };
  /** What a key does to all that are chosen, or to this one where it is not among them. */
  const each = (...edit: Parameters<typeof editFrames> extends [unknown, unknown, ...infer Rest] ? Rest : never) => {
    if (!viewState.getState().tiles.ids.has(tile.id)) viewState.setState({ tiles: only });
    editFrames(services, session, ...edit);
  };
  const nudge = (byMm: number) => (e: Pressed) =>
    each("movedFree", (frames) => frames.map((f) => movedBy(f, arrow(e, byMm))), "nudge");
  const size = (byMm: number) => (e: Pressed) =>
    each("sizedTiles", (frames) => frames.map((f) => resized(f, { x: 1, y: 1 }, arrow(e, byMm))), "size");
  const turn = (degrees: number) => () =>
    each("turnedTiles", (frames) => frames.map((f) => turnedAbout([f], f.centre, degrees)[0]!), "turn");
  const obeyKeys = hears("free", {
    move: nudge(nudgeMm.move),
    moveFar: nudge(nudgeMm.moveFar),
    moveFine: nudge(nudgeMm.moveFine),
    size: size(nudgeMm.move),
    sizeFar: size(nudgeMm.moveFar),
    turnBack: turn(-1),
    turnOn: turn(1),
    turnBackFar: turn(-15),
    turnOnFar: turn(15),
    choose: pick,
    chooseToo: pick,
    write: open,
    tie: () => tieChosen(services, session),
    takeOff: () => takeOff({ viewState }, session, [...(chosen ? viewState.getState().tiles.ids : only.ids)]),
  });
  const locked = isLocked(tile.tile);
  const { filling } = tile;
  const drawn =
    filling.kind === "ornament"
      ? ornaments.nameOf(filling.ornament.design)
      : filling.kind === "paper"
        ? papers.nameOf(filling.paper.design)
        : undefined;
  return (
    <div
      role="option"
      aria-selected={chosen}
      aria-label={
        written
          ? say.free(at, of, sayWords(written, facts))
          : waits
            ? say.free(at, of, sayWaiting(waits))
            : drawn === undefined
              ? freeWords.tile(at, of)
              : say.free(at, of, drawn)
      }
      tabIndex={0}
      data-tile={tile.id}
      className={[css.tile, chosen && css.chosen, locked && css.locked, ((empty && !writing) || waits) && css.bare]
        .filter(Boolean)
        .join(" ")}
      style={frameOf(view, tile.frame)}
      onClick={pick}
      onContextMenu={() => !chosen && viewState.setState({ tiles: only })}
      onDoubleClick={open}
      onKeyDown={writing ? undefined : obeyKeys}
      onPointerDown={(e) => pull.grab({ what: "move" }, e, tile.id)}
      onPointerMove={pull.drag}
      onPointerUp={pull.release}
      onPointerCancel={pull.cancel}
    >
      {empty && !writing && say.nothingYet}
      {waits && <Waiting waits={waits} shortPx={Math.min(tile.frame.width, tile.frame.height) * view.scale} />}
      {written && !writing && <Hidden count={hiddenWords(written, tile.frame, facts)} />}
    </div>
  );
});

const Hidden = ({ count }: { readonly count: number }) => (count > 0 ? <HiddenWords count={count} /> : null);
