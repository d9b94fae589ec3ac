import { useEffect, useRef } from "react";
import { type PlacedPage, photosDrawnOn } from "#core/document";
import { chain, type Rect, scaling, translation } from "#core/geometry";
import { type Scene, scene } from "#core/scene";
import type { Face } from "#core/words";
import type { PictureOf } from "../../painters/canvas.ts";
import { repaintScene } from "../../painters/repaint.ts";
import { useServices } from "../services.ts";
import { useFacts } from "../state/session/facts.ts";
import { inTurn } from "./in-turn.ts";

interface PageCanvasProps {
  readonly page: PlacedPage;
  /** Pixels of the screen for one mm. */
  readonly scale: number;
  /** Something is being dragged: paint fast now, and well when it rests. */
  readonly moving?: boolean;
  /** One of many, which others may come before. */
  readonly patient?: boolean;
  /** Left out, because it is being drawn elsewhere. */
  readonly without?: string | undefined;
  /** What of the page is painted, in mm; all of it where nothing is said. */
  readonly box?: Rect;
}

const restMs = 140;
/** Pictures come in crowds: one painting for those that come together. */
const crowdMs = 50;

/** A page as it prints, bleed included, painted from previews. */
export function PageCanvas({ page, scale, moving = false, patient = false, without, box }: PageCanvasProps) {
  const { bitmaps, fonts } = useServices();
  const facts = useFacts();
  const canvas = useRef<HTMLCanvasElement>(null);

  useEffect(() => {
    const at = canvas.current;
    if (!at) return;
    const seen = without ? { ...page, tiles: page.tiles.filter((t) => t.id !== without) } : page;
    const begin = () => {
      const whole = scene(seen, facts);
      return painter(at, box ? { ...whole, box } : whole, scale, {
        bitmap: ({ photoId, tone }, longPx) => bitmaps.get(photoId, longPx, tone),
        face: (key) => fonts.face(key),
      });
    };
    const on = new Set(photosDrawnOn(seen));
    const stop = patient ? paintInTurn(begin) : paintNow(begin(), moving);
    const unwatch = bitmaps.watch((photoId) => on.has(photoId) && stop.again());
    return () => {
      stop.end();
      unwatch();
    };
  }, [page, scale, moving, patient, without, box, facts, bitmaps, fonts]);

  return <canvas ref={canvas} style={{ display: "block", width: "100%", height: "100%" }} aria-hidden />;
}

type Paint = (quality: ImageSmoothingQuality) => void;

interface Painting {
  again(): void;
  end(): void;
}

/** In the next frame, and once more with care when nothing has moved for a while. */
function paintNow(paint: Paint, moving: boolean): Painting {
  let frame = 0;
  let rest: ReturnType<typeof setTimeout> | undefined;
  const again = () => {
    cancelAnimationFrame(frame);
    frame = requestAnimationFrame(() => {
      paint(moving ? "low" : "medium");
      clearTimeout(rest);
      rest = setTimeout(() => paint("high"), restMs);
    });
  };
  again();
  return {
    again,
    end() {
      cancelAnimationFrame(frame);
      clearTimeout(rest);
    },
  };
}

/** With care at once, when it is this one's turn. */
function paintInTurn(begin: () => Paint): Painting {
  let paint: Paint | undefined;
  let soon: ReturnType<typeof setTimeout> | undefined;
  const work = () => {
    paint ??= begin();
    paint("high");
  };
  let callOff = inTurn(work);
  return {
    again() {
      soon ??= setTimeout(() => {
        soon = undefined;
        callOff = inTurn(work);
      }, crowdMs);
    },
    end() {
      clearTimeout(soon);
      callOff();
    },
  };
}

/** Sizes the canvas for this screen and gives back a function that paints on it. */
function painter(
  at: HTMLCanvasElement,
  drawing: Scene,
  scale: number,
  from: {
    readonly bitmap: (step: Parameters<PictureOf>[0], longPx: number) => CanvasImageSource | undefined;
    readonly face: (key: string) => Face | undefined;
  },
) {
  const k = scale * window.devicePixelRatio;
  const [w, h] = [Math.max(1, Math.round(drawing.box.w * k)), Math.max(1, Math.round(drawing.box.h * k))];
  const toPixels = chain(scaling(w / drawing.box.w, h / drawing.box.h), translation(-drawing.box.x, -drawing.box.y));
  const longPx = new Map<string, number>();
  for (const step of drawing.steps)
    if (step.draw === "photo") {
      const m = step.matrix;
      const long = Math.max(Math.hypot(m.a, m.b), Math.hypot(m.c, m.d)) * k;
      longPx.set(step.photoId, Math.max(long, longPx.get(step.photoId) ?? 0));
    }
  const picture: PictureOf = (step) => from.bitmap(step, longPx.get(step.photoId) ?? 0);
  return (quality: ImageSmoothingQuality) => {
    if (at.width !== w || at.height !== h) {
      at.width = w;
      at.height = h;
    }
    const ctx = at.getContext("2d", { alpha: false });
    if (!ctx) return;
    repaintScene(ctx, drawing, toPixels, { picture, face: from.face }, quality);
    at.dataset.painted = quality;
  };
}
