import type { DragMoveEvent, DragStartEvent } from "@dnd-kit/core";
import { useEffect, useRef } from "react";
import { arrangedTiles, mostTiles } from "#core/document";
import { allSlippedIn, type Dragged, type DropMeaning, type Edit, meaningOfDrop, tileMoved } from "#core/edit";
import type { Point, Rect } from "#core/geometry";
import { seenBox } from "#core/lab";
import type { Photo } from "#core/photo";
import { pages as words } from "../../../text/index.ts";
import { fromDrop } from "../../components/import-files.ts";
import { mayHoldNotes } from "../../components/notes/notes-names.ts";
import { isProjectFile } from "../../components/project/project-file-name.ts";
import { notices } from "../../notices/notices.ts";
import { type Services, useServices } from "../../services.ts";
import { holdsMore } from "../../state/edit/arrange-page.ts";
import { arrangePhotos } from "../../state/edit/arrange-photos.ts";
import { layBehind, layFreely, showBehind, showLaid } from "../../state/edit/materials.ts";
import { layOrnament, showOrnament } from "../../state/edit/ornaments.ts";
import { movePhotosTo } from "../../state/edit/page-breaks.ts";
import { putPhoto, swapPhotos } from "../../state/edit/page-gestures.ts";
import { putPaper, showPaper } from "../../state/edit/papers.ts";
import { laidShape, showShape } from "../../state/edit/shapes.ts";
import { keep, show } from "../../state/edit/tree-gestures.ts";
import { useSession } from "../../state/session/hooks.ts";
import { openPage, openPlaced, type ProjectSession } from "../../state/session/project-session.ts";
import { nothingChosen } from "../../state/view-state/choose.ts";
import { nothingDragged } from "../../state/view-state/view-state.ts";
import { openSheet } from "./open-sheet.ts";

/** What is dragged over the page is shown where it would go, and kept where it is let go. */
export function useDrops() {
  const services = useServices();
  const session = useSession();
  const shownKey = useRef("");
  const frame = useRef(0);
  const { viewState } = services;
  const meaningOf = (e: DragMoveEvent): DropMeaning => {
    const on = openPlaced(session.state.getState());
    const dragged = draggedBy(e);
    const at = pointerOf(e);
    const facing = at && facingUnder(at);
    if (facing !== undefined && dragged.from === "tile")
      return { does: "face", tileId: dragged.tileId, pageId: facing };
    return meaningOfDrop(dragged, on, at && pointOnPage(at, seenBox(on.format)));
  };
  const over = () => {
    cancelAnimationFrame(frame.current);
    viewState.setState({ drop: nothingDragged });
    shownKey.current = "";
    session.dropPreview();
  };
  return {
    onDragStart: (e: DragStartEvent) => viewState.setState({ drop: { ...nothingDragged, dragged: draggedBy(e) } }),
    onDragMove: (e: DragMoveEvent) => {
      // The last movement may be told of after the end, and would leave a page on screen that is not kept.
      if (!viewState.getState().drop.dragged) return;
      openUnder(session, e);
      const now = meaningOf(e);
      const key = JSON.stringify(now);
      if (key === shownKey.current) return;
      shownKey.current = key;
      viewState.setState((s) => ({ drop: { ...s.drop, meaning: now } }));
      // Apart from what the drag itself does, and once a frame: laying the page out anew is work of its own.
      cancelAnimationFrame(frame.current);
      frame.current = requestAnimationFrame(() => showMeant(services, session, now));
    },
    onDragEnd: (e: DragMoveEvent) => {
      const meant = meaningOf(e);
      over();
      keepMeant(services, session, meant);
    },
    onDragCancel: over,
  };
}

const draggedBy = (e: DragStartEvent) => e.active.data.current as Dragged;

/** The photo that is dragged, with all that are chosen where it is one of them. */
function photosOf({ viewState, library }: Services, photoId: string): readonly Photo[] {
  const chosen = viewState.getState().photos.ids;
  const ids = chosen.has(photoId) ? chosen : new Set([photoId]);
  return library.state.getState().photos.filter((p) => ids.has(p.id));
}

/** The page as it would be, where the others make room. */
function roomMade(services: Services, session: ProjectSession, m: DropMeaning): Edit | undefined {
  if (m.does === "move") return tileMoved(m.movedId, m);
  if (m.does !== "slip") return undefined;
  const photos = photosOf(services, m.photoId);
  const tiles = arrangedTiles(openPage(session.state.getState())).length;
  return tiles + photos.length > mostTiles
    ? undefined
    : allSlippedIn(photos, m.tileId, m.edge, services.newId, m.whole);
}

function showMeant(services: Services, session: ProjectSession, m: DropMeaning): void {
  const next = roomMade(services, session, m);
  if (next) show(session, next);
  else if (m.does === "lay") showLaid(services, session, m.photoId, m.at);
  else if (m.does === "back") showBehind(session, m.photoId);
  else if (m.does === "ornament") showOrnament(services, session, m.ornament, m.at);
  else if (m.does === "paper") showPaper(session, m.paper, m.tileId);
  else if (m.does === "shape") showShape(services, session, m.outline, m.at);
  else session.dropPreview();
}

function keepMeant(services: Services, session: ProjectSession, m: DropMeaning): void {
  const next = roomMade(services, session, m);
  if (next && m.does === "slip") keep(session, "slippedIn", photosOf(services, m.photoId).length, next);
  else if (next) keep(session, "arrangedAnew", 1, next);
  else if (m.does === "slip") holdsMore(session, photosOf(services, m.photoId).length);
  else if (m.does === "put") putPhoto(session, m.tileId, m.photoId);
  else if (m.does === "swap") swapPhotos(session, m.tileId, m.withTileId);
  else if (m.does === "begin") arrangePhotos(services, session, photosOf(services, m.photoId));
  else if (m.does === "lay") layFreely(services, session, m.photoId, m.at);
  else if (m.does === "back") layBehind(session, m.photoId);
  else if (m.does === "ornament") layOrnament(services, session, m.ornament, m.at);
  else if (m.does === "paper") putPaper(session, m.paper, m.tileId === undefined ? [] : [m.tileId]);
  else if (m.does === "shape") laidShape(services, session, m.outline, m.at);
  else if (m.does === "face") {
    movePhotosTo(services, session, [m.tileId], m.pageId);
    session.goTo(m.pageId);
    services.viewState.setState({ tiles: nothingChosen });
  }
}

/** The facing page, where it lies under a point of the screen. */
function facingUnder(at: Point): string | undefined {
  const facing = document.querySelector<HTMLElement>("[data-facing]");
  const r = facing?.getBoundingClientRect();
  return r && at.x >= r.left && at.x <= r.right && at.y >= r.top && at.y <= r.bottom
    ? facing?.dataset.facing
    : undefined;
}

/** A photo from the shelf, held over the facing page, opens that page. */
function openUnder(session: ProjectSession, e: DragMoveEvent): void {
  const at = pointerOf(e);
  const facing = at && draggedBy(e).from === "shelf" ? facingUnder(at) : undefined;
  if (facing !== undefined) session.goTo(facing);
}

/** Stands for a file that is no photo yet. */
const outside = "outside";

/** Files from outside that are held over the page are shown where they would go, come into the library, and go there. */
export function useOutsideDrops(): void {
  const services = useServices();
  const session = useSession();
  useEffect(() => {
    const { viewState, library } = services;
    const meaningAt = (e: DragEvent): DropMeaning => {
      if (!e.dataTransfer?.types.includes("Files")) return { does: "nothing" };
      const on = openPlaced(session.state.getState());
      const at = pointOnPage({ x: e.clientX, y: e.clientY }, seenBox(on.format));
      return meaningOfDrop({ from: "shelf", photoId: outside, section: "photos" }, on, at);
    };
    const hover = (e: DragEvent) => {
      const meaning = meaningAt(e);
      if (meaning.does === "nothing") viewState.setState({ drop: nothingDragged });
      else viewState.setState({ drop: { dragged: { from: "shelf", photoId: outside, section: "photos" }, meaning } });
    };
    const over = () => viewState.setState({ drop: nothingDragged });
    const drop = (e: DragEvent) => {
      const meaning = meaningAt(e);
      over();
      const projects = [...(e.dataTransfer?.files ?? [])].some((f) => isProjectFile(f.name) || mayHoldNotes(f.name));
      if (meaning.does === "nothing" || !e.dataTransfer || projects || session.state.getState().readOnly) return;
      e.preventDefault();
      // It is brought in here, so nobody else need do it.
      e.stopImmediatePropagation();
      const { pageId } = session.state.getState();
      void fromDrop(e.dataTransfer)
        .then((files) => library.bringIn(files))
        .then(([first, ...more]) => {
          if (first === undefined) return;
          // Other pages may have been opened while it came in.
          session.goTo(pageId);
          viewState.setState({ photos: { ids: new Set([first, ...more]), anchor: first } });
          keepMeant(services, session, { ...meaning, ...("photoId" in meaning ? { photoId: first } : {}) });
          if (meaning.does !== "put" && meaning.does !== "lay") viewState.setState({ photos: nothingChosen });
          else if (more.length === 0) viewState.setState({ photos: nothingChosen });
          else notices.create({ title: words.othersOnShelf(more.length), type: "info" });
        });
    };
    window.addEventListener("dragover", hover, { capture: true });
    const left = (e: DragEvent) => e.relatedTarget === null && over();
    window.addEventListener("dragleave", left, { capture: true });
    window.addEventListener("drop", drop, { capture: true });
    return () => {
      window.removeEventListener("dragover", hover, { capture: true });
      window.removeEventListener("dragleave", left, { capture: true });
      window.removeEventListener("drop", drop, { capture: true });
    };
  }, [services, session]);
}

/** Where the pointer is on the screen. */
function pointerOf(e: DragMoveEvent): Point | undefined {
  const start = e.activatorEvent;
  const touch = start instanceof TouchEvent ? start.touches[0] : undefined;
  const from = start instanceof MouseEvent ? start : touch;
  return from && { x: from.clientX + e.delta.x, y: from.clientY + e.delta.y };
}

/** A point of the screen in mm on the page; missing beside it. */
function pointOnPage(from: Point, box: Rect): Point | undefined {
  const sheet = openSheet.rect();
  if (!sheet) return undefined;
  const scale = sheet.width / box.w;
  const at = { x: (from.x - sheet.left) / scale + box.x, y: (from.y - sheet.top) / scale + box.y };
  const inside = at.x >= box.x && at.y >= box.y && at.x <= box.x + box.w && at.y <= box.y + box.h;
  return inside ? at : undefined;
}
