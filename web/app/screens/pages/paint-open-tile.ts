import { framingOf, type PlacedTile, pictureRect } from "#core/document";
import { type PhotoShape, photoMatrix } from "#core/fit";
import { chain, identity, record, scaling, translation } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { tileSteps } from "#core/scene";
import type { Tone } from "#core/tone";
import { paintScene, paintStep, setMatrix } from "../../../painters/canvas.ts";
import type { PageView } from "./page-view.ts";

/** Mat around the page that the dimmed rest of the photo may be seen on, in CSS pixels. */
export const spillPx = 60;

/** The page steps back, the rest of the photo shows through it, and the tile stands as it will print. */
export function paintOpenTile(
  at: HTMLCanvasElement,
  view: PageView,
  tile: PlacedTile,
  framed: PhotoShape,
  format: PageFormat,
  bitmapOf: (id: string, longPx: number, tone: Tone | undefined) => CanvasImageSource | undefined,
): void {
  const dpr = window.devicePixelRatio;
  const [w, h] = [
    Math.round((view.box.w * view.scale + 2 * spillPx) * dpr),
    Math.round((view.box.h * view.scale + 2 * spillPx) * dpr),
  ];
  if (at.width !== w || at.height !== h) {
    at.width = w;
    at.height = h;
  }
  const ctx = at.getContext("2d");
  if (!ctx) return;
  const k = view.scale * dpr;
  const toPixels = chain(
    translation(spillPx * dpr, spillPx * dpr),
    scaling(k, k),
    translation(-view.box.x, -view.box.y),
  );
  const rect = pictureRect(tile);
  if (tile.filling.kind !== "photo") return;
  const look = tile.filling.view;
  const matrix = photoMatrix(framed.aspect, rect, framingOf(look, framed, tile, format));
  const longPx = Math.max(Math.hypot(matrix.a, matrix.b), Math.hypot(matrix.c, matrix.d)) * k;
  const picture = bitmapOf(look.photoId, longPx, look.tone);
  setMatrix(ctx, identity);
  ctx.clearRect(0, 0, w, h);
  setMatrix(ctx, toPixels);
  ctx.fillStyle = "rgba(244, 239, 230, .62)";
  ctx.fillRect(view.box.x, view.box.y, view.box.w, view.box.h);
  ctx.imageSmoothingQuality = "high";
  ctx.globalAlpha = 0.45;
  paintStep(ctx, { draw: "photo", photoId: look.photoId, matrix, clip: photoEdge(matrix) }, { picture });
  ctx.globalAlpha = 1;
  const steps = tileSteps(tile, format, { photo: () => framed });
  paintScene(ctx, { box: view.box, steps }, toPixels, { picture: () => picture, face: () => undefined }, "high");
  setMatrix(ctx, toPixels);
  ctx.strokeStyle = "#17757e";
  ctx.lineWidth = 2.5 / view.scale;
  ctx.strokeRect(rect.x, rect.y, rect.w, rect.h);
  thirds(ctx, rect, view.scale);
}

/** The photo's own four corners on the page. */
function photoEdge(m: ReturnType<typeof photoMatrix>) {
  return record((to) => {
    to.moveTo(m.e, m.f);
    to.lineTo(m.a + m.e, m.b + m.f);
    to.lineTo(m.a + m.c + m.e, m.b + m.d + m.f);
    to.lineTo(m.c + m.e, m.d + m.f);
    to.closePath();
  });
}

function thirds(ctx: CanvasRenderingContext2D, r: { x: number; y: number; w: number; h: number }, scale: number): void {
  ctx.strokeStyle = "rgba(255, 255, 255, .55)";
  ctx.lineWidth = 1 / scale;
  ctx.beginPath();
  for (const t of [1 / 3, 2 / 3]) {
    ctx.moveTo(r.x + r.w * t, r.y);
    ctx.lineTo(r.x + r.w * t, r.y + r.h);
    ctx.moveTo(r.x, r.y + r.h * t);
    ctx.lineTo(r.x + r.w, r.y + r.h * t);
  }
  ctx.stroke();
}
