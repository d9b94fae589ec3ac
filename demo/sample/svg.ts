import type { Light } from "./light.ts";
import type { Random } from "./random.ts";

/** What a scene is drawn on: 1000 units wide, `h` high. */
export interface Stage {
  readonly w: number;
  readonly h: number;
  readonly random: Random;
  readonly light: Light;
  /** Gradients and the like; gives back the url to fill with. */
  define(body: (id: string) => string): string;
}

/** Layers from back to front; `blur` as a share of the width, as a lens would leave what is not in focus. */
export interface Layer {
  readonly body: string;
  readonly blur?: number;
}

export type Scene = (stage: Stage) => string | readonly Layer[];

export const n = (v: number): string => String(Math.round(v * 10) / 10);

type Attributes = Readonly<Record<string, string | number | undefined>>;

export function el(name: string, given: Attributes, body = ""): string {
  // An opacity on a single shape costs a whole layer; its paint's own opacity is free and looks the same.
  const { opacity, ...rest } = given;
  const attributes = name === "g" ? given : { ...rest, "fill-opacity": opacity, "stroke-opacity": opacity };
  const written = Object.entries(attributes)
    .filter(([, v]) => v !== undefined)
    .map(([k, v]) => ` ${k}="${typeof v === "number" ? Math.round(v * 100) / 100 : v}"`)
    .join("");
  return body === "" ? `<${name}${written}/>` : `<${name}${written}>${body}</${name}>`;
}

export const rect = (x: number, y: number, w: number, h: number, fill: string, more: Attributes = {}): string =>
  el("rect", { x, y, width: w, height: h, fill, ...more });
export const circle = (cx: number, cy: number, r: number, fill: string, more: Attributes = {}): string =>
  el("circle", { cx, cy, r, fill, ...more });
export const ellipse = (cx: number, cy: number, rx: number, ry: number, fill: string, more: Attributes = {}): string =>
  el("ellipse", { cx, cy, rx, ry, fill, ...more });
export const shape = (d: string, fill: string, more: Attributes = {}): string => el("path", { d, fill, ...more });
export const line = (d: string, stroke: string, width: number, more: Attributes = {}): string =>
  el("path", {
    d,
    fill: "none",
    stroke,
    "stroke-width": width,
    "stroke-linecap": "round",
    "stroke-linejoin": "round",
    ...more,
  });
export const group = (body: string, transform?: string, more: Attributes = {}): string =>
  el("g", { transform, ...more }, body || " ");
export const at = (x: number, y: number, body: string, scale = 1, mirrored = false): string =>
  group(body, `translate(${n(x)} ${n(y)}) scale(${mirrored ? -scale : scale} ${scale})`);

export function vertical(
  stage: Stage,
  stops: readonly (readonly [offset: number, colour: string, opacity?: number])[],
): string {
  return stage.define((id) =>
    el(
      "linearGradient",
      { id, x1: 0, y1: 0, x2: 0, y2: 1 },
      stops.map(([offset, c, o]) => el("stop", { offset, "stop-color": c, "stop-opacity": o })).join(""),
    ),
  );
}

export function radial(
  stage: Stage,
  stops: readonly (readonly [offset: number, colour: string, opacity?: number])[],
): string {
  return stage.define((id) =>
    el(
      "radialGradient",
      { id },
      stops.map(([offset, c, o]) => el("stop", { offset, "stop-color": c, "stop-opacity": o })).join(""),
    ),
  );
}

/** A smooth open curve through points (Catmull-Rom as cubics). */
export function smooth(points: readonly (readonly [number, number])[]): string {
  let d = `M${n(points[0]![0])} ${n(points[0]![1])}`;
  for (let i = 0; i < points.length - 1; i += 1) {
    const p0 = points[Math.max(0, i - 1)]!;
    const p1 = points[i]!;
    const p2 = points[i + 1]!;
    const p3 = points[Math.min(points.length - 1, i + 2)]!;
    d += `C${n(p1[0] + (p2[0] - p0[0]) / 6)} ${n(p1[1] + (p2[1] - p0[1]) / 6)} ${n(p2[0] - (p3[0] - p1[0]) / 6)} ${n(p2[1] - (p3[1] - p1[1]) / 6)} ${n(p2[0])} ${n(p2[1])}`;
  }
  return d;
}
