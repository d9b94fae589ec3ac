import { findPlaced } from "#core/document";
import { calmOf, fadeAround, fadeChange, mostFadeStrokes } from "#core/edit";
import type { Stroke } from "#core/masks";
import { photoShape } from "#core/photo";
import { dress as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { smallPixels } from "./tones.ts";

/** More would only show grain. */
const longPx = 120;

/** Shows a stroke that is being drawn and keeps nothing. */
export function showStroke(session: ProjectSession, tileId: string, stroke: Stroke): void {
  const page = openPage(session.state.getState());
  session.preview([fadeChange(page, [tileId], (before) => [...before, stroke].slice(0, mostFadeStrokes))]);
}

/** Keeps a stroke as one step; says so where there is no room for another. */
export function keepStroke(session: ProjectSession, tileId: string, stroke: Stroke): void {
  const page = openPage(session.state.getState());
  const filling = findPlaced(openPlaced(session.state.getState()), tileId)?.filling;
  if (filling?.kind === "photo" && (filling.view.fade?.length ?? 0) >= mostFadeStrokes) {
    session.preview([]);
    notices.create({ title: words.brushFull(mostFadeStrokes), type: "error" });
    return;
  }
  session.commit({ code: "changedFade", count: 1 }, [fadeChange(page, [tileId], (before) => [...before, stroke])]);
}

/** The photos in these tiles whole again. */
export function unfade(session: ProjectSession, tileIds: readonly string[]): void {
  const page = openPage(session.state.getState());
  session.commit({ code: "changedFade", count: tileIds.length }, [fadeChange(page, tileIds, () => [])]);
}

/** Each of these photos fades into the page where it is calm; found anew where that was done before. */
export function fadeIntoPage(
  { bitmaps, library }: Pick<Services, "bitmaps" | "library">,
  session: ProjectSession,
  tileIds: readonly string[],
): void {
  const on = openPlaced(session.state.getState());
  const { byId } = library.state.getState();
  const found = new Map<string, readonly Stroke[]>();
  for (const id of tileIds) {
    const tile = findPlaced(on, id);
    const photo = tile?.filling.kind === "photo" ? byId.get(tile.filling.view.photoId) : undefined;
    if (!tile || !photo) continue;
    const shape = photoShape(photo);
    const [w, h] = [Math.min(1, shape.aspect), Math.min(1, 1 / shape.aspect)].map((s) =>
      Math.max(8, Math.round(s * longPx)),
    );
    const small = smallPixels(bitmaps, photo.id, w, h);
    if (!small) return void notices.create({ title: words.fadeNotReady, type: "info" });
    found.set(id, fadeAround(tile, shape, calmOf(small.data, w!, h!), on.format));
  }
  const page = openPage(session.state.getState());
  const changes = [...found].map(([id, strokes]) =>
    fadeChange(page, [id], (before) => [...strokes, ...before.filter((s) => !s.found)].slice(0, mostFadeStrokes)),
  );
  if (changes.length > 0) session.commit({ code: "changedFade", count: changes.length }, changes);
}
