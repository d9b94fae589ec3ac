import type { PlacedTile, StepCode } from "#core/document";
import { photosBeside, tonesChange } from "#core/edit";
import {
  meanFigures,
  type Tone,
  type ToneFigures,
  tidyTone,
  toneFigures,
  toneInto,
  toneLike,
  toneTables,
} from "#core/tone";
import type { Bitmaps } from "../../../pictures/bitmaps.ts";
import { tone as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";

/** Mean and spread hardly change with more. */
const sidePx = 72;

/** Sets the tone of the photos in these tiles; `mergeKey` makes one step of several in a row. */
export function setTones(
  session: ProjectSession,
  tileIds: readonly string[],
  tone: Tone | undefined,
  mergeKey?: string,
): void {
  const page = openPage(session.state.getState());
  const change = tonesChange(page, tileIds, () => tone);
  session.commit({ code: "changedTone", count: tileIds.length }, [change], { mergeKey });
}

/** Shows it and keeps nothing. */
export function showTones(session: ProjectSession, tileIds: readonly string[], tone: Tone | undefined): void {
  const page = openPage(session.state.getState());
  session.preview([tonesChange(page, tileIds, () => tone)]);
}

/** Brings photos near those beside them, or near all others of the page, in light and colour. */
export function matchTones(
  { bitmaps }: Pick<Services, "bitmaps">,
  session: ProjectSession,
  tileIds: readonly string[],
  to: "neighbours" | "page",
): void {
  const on = openPlaced(session.state.getState());
  const say = (title: string) => notices.create({ title, type: "info", duration: 8_000 });
  const made = new Map<string, Tone>();
  let ready = true;
  for (const id of tileIds) {
    const tile = on.tiles.find((t) => t.id === id);
    if (tile?.filling.kind !== "photo") continue;
    const all = on.tiles.filter((t) => t.filling.kind === "photo" && t.id !== id);
    const others = to === "page" ? all : photosBeside(on, tile, tileIds);
    if (others.length === 0) return void say(words.nothingBeside);
    const from = figuresOf(bitmaps, tile, false);
    const theirs = others.flatMap((t) => figuresOf(bitmaps, t, true) ?? []);
    const mean = meanFigures(theirs);
    ready &&= from !== undefined && theirs.length === others.length;
    const tone = from && mean && toneLike(from, mean);
    if (tone) made.set(id, tone);
  }
  if (!ready) return void say(words.notReady);
  if (made.size === 0) return void say(words.alikeAlready);
  const page = openPage(session.state.getState());
  const matched = tonesChange(page, [...made.keys()], (_, id) => made.get(id));
  session.commit({ code: "changedTone", count: made.size }, [matched]);
}

/** Of a tile's photo as it was taken, or as it is shown. */
function figuresOf(bitmaps: Bitmaps, { filling }: PlacedTile, shown: boolean): ToneFigures | undefined {
  if (filling.kind !== "photo") return undefined;
  const px = smallPixels(bitmaps, filling.view.photoId);
  if (px && shown && filling.view.tone) toneInto(px.data, toneTables(filling.view.tone));
  return px && toneFigures(px.data);
}

/** A photo's pixels at a size at which only its light and colours are left; undefined while it is being fetched. */
export function smallPixels(bitmaps: Bitmaps, photoId: string, w = sidePx, h = sidePx): ImageData | undefined {
  const picture = bitmaps.get(photoId, 200);
  const ctx = picture && new OffscreenCanvas(w, h).getContext("2d", { willReadFrequently: true });
  if (!picture || !ctx) return undefined;
  const k = Math.max(w / picture.width, h / picture.height);
  ctx.imageSmoothingQuality = "high";
  ctx.drawImage(
    picture,
    (w - picture.width * k) / 2,
    (h - picture.height * k) / 2,
    picture.width * k,
    picture.height * k,
  );
  return ctx.getImageData(0, 0, w, h);
}

/** Keeps a tone under a name, in place of one of the same name. */
export function keepTone(session: ProjectSession, name: string, tone: Tone): void {
  const { tones } = session.state.getState().project;
  const others = tones.filter((t) => t.name !== name);
  setOwnTones(session, "keptTone", [...others, { name, tone: tidyTone(tone) ?? {} }]);
}

export function dropTone(session: ProjectSession, name: string): void {
  const { tones } = session.state.getState().project;
  setOwnTones(
    session,
    "droppedTone",
    tones.filter((t) => t.name !== name),
  );
}

function setOwnTones(
  session: ProjectSession,
  code: StepCode,
  tones: readonly { readonly name: string; readonly tone: Tone }[],
): void {
  session.commit({ code, count: 1 }, [{ type: "setProject", tones }]);
}
