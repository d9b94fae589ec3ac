import { drawnPage, type Page, type PlacedPage, type Project } from "#core/document";
import { scaling } from "#core/geometry";
import { type PhotoStep, type SceneFacts, scene, withoutBorder } from "#core/scene";
import { paintScene } from "../../../painters/canvas.ts";
import type { Services } from "../../services.ts";

const longPx = 120;

export interface PaintedSmall {
  readonly on: PlacedPage;
  readonly w: number;
  readonly h: number;
  readonly rgba: Uint8ClampedArray;
}

/** A page as it is printed, without a border around it, painted small to be looked at. */
export function paintedSmall(
  { bitmaps, fonts }: Pick<Services, "bitmaps" | "fonts">,
  project: Project,
  page: Page,
  facts: SceneFacts,
): PaintedSmall | undefined {
  const on = withoutBorder(drawnPage(project, page, (id) => facts.photo(id)?.takenAt));
  const { widthMm, heightMm } = on.format;
  const k = longPx / Math.max(widthMm, heightMm);
  const [w, h] = [Math.max(2, Math.round(widthMm * k)), Math.max(2, Math.round(heightMm * k))];
  const ctx = new OffscreenCanvas(w, h).getContext("2d", { alpha: false, willReadFrequently: true });
  if (!ctx) return undefined;
  const from = {
    picture: ({ photoId, tone }: Pick<PhotoStep, "photoId" | "tone">) => bitmaps.get(photoId, longPx, tone),
    face: (key: string) => fonts.face(key),
  };
  paintScene(ctx, scene(on, facts), scaling(w / widthMm, h / heightMm), from, "medium");
  return { on, w, h, rgba: ctx.getImageData(0, 0, w, h).data };
}
