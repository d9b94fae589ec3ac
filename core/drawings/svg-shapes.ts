import { SVGPathData } from "svg-pathdata";
import type { Colour } from "#core/colour";
import {
  applyTo,
  chain,
  evenOddRings,
  flattened,
  identity,
  type Matrix,
  type PathData,
  type PathSegment,
  type Point,
  pathOfRings,
  rotation,
  scaling,
  translation,
} from "#core/geometry";
import { lineAttribute, tileAttribute } from "./svg-text.ts";

/** The closed shapes of an SVG drawing (SVG 1.1 and 2), where they lie and what they are filled with. Lengths in mm. */

/** An element of a drawing with what it says; names without their prefix. */
export interface SvgElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly SvgElement[];
  /** Of a title its words. */
  readonly text: string;
}

export interface DrawnShape {
  /** What it is called: its title, or its id. */
  readonly name: string;
  readonly path: PathData;
  /** None where it is not filled. */
  readonly fill: Colour | undefined;
  readonly stroke: { readonly widthMm: number; readonly colour: Colour } | undefined;
  readonly opacity: number;
  /** What this program wrote of it: its tile's id. A path without segments then says no more than that it is there. */
  readonly tileId: string | undefined;
}

export interface DrawnShapes {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly shapes: readonly DrawnShape[];
  /** What could not become a tile. */
  readonly leftOut: {
    readonly open: number;
    readonly words: number;
    readonly pictures: number;
    readonly broken: number;
  };
}

/** Pixels of CSS are so large. */
const mmPerPx = 25.4 / 96;
const units: Readonly<Record<string, number>> = {
  px: 1,
  "": 1,
  pt: 96 / 72,
  pc: 16,
  mm: 96 / 25.4,
  cm: 960 / 25.4,
  q: 24 / 25.4,
  in: 96,
  em: 16,
  rem: 16,
  ex: 8,
};
/** Symbols that use symbols, and groups in groups, go no deeper. */
const deepest = 40;
const mostShapes = 60_000;
const mostSegments = 20_000;
/** Below this a shape has no area that could be printed, in mm². */
const leastMm2 = 0.01;

interface Context {
  /** To user units of the outermost drawing, in CSS pixels. */
  readonly matrix: Matrix;
  /** What percentages are of. */
  readonly view: { readonly w: number; readonly h: number };
  readonly style: Readonly<Record<string, string>>;
  readonly opacity: number;
  readonly depth: number;
}

const inherited = ["fill", "fill-rule", "stroke", "stroke-width", "color", "display", "visibility"] as const;

/** A length as it is written, in user units: `of` is what a percentage is taken of. */
function lengthOf(text: string | undefined, of: number, without = 0): number {
  const found = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*(%|[a-z]*)\s*$/i.exec(text ?? "");
  if (!found) return without;
  const unit = found[2]!.toLowerCase();
  const value = unit === "%" ? (Number(found[1]) * of) / 100 : Number(found[1]) * (units[unit] ?? 1);
  return Number.isFinite(value) ? value : without;
}

const numbersIn = (text: string): number[] =>
  (text.match(/[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi) ?? []).map(Number).filter(Number.isFinite);

const skewed = (x: number, y: number): Matrix => ({
  a: 1,
  b: Math.tan((y * Math.PI) / 180),
  c: Math.tan((x * Math.PI) / 180),
  d: 1,
  e: 0,
  f: 0,
});

/** A list of transforms as one; what makes no sense in it is passed over. */
function transformOf(text: string | undefined): Matrix {
  let all = identity;
  for (const [, name, inside] of (text ?? "").matchAll(/([a-z]+)\s*\(([^)]*)\)/gi)) {
    const n = numbersIn(inside!);
    const [p = 0, q = 0, r = 0, s = 0, t = 0, u = 0] = n;
    const next =
      name === "matrix" && n.length === 6
        ? { a: p, b: q, c: r, d: s, e: t, f: u }
        : name === "translate"
          ? translation(p, q)
          : name === "scale"
            ? scaling(p, n.length > 1 ? q : p)
            : name === "rotate"
              ? chain(translation(q, r), rotation((p * Math.PI) / 180), translation(-q, -r))
              : name === "skewX"
                ? skewed(p, 0)
                : name === "skewY"
                  ? skewed(0, p)
                  : identity;
    all = chain(all, next);
  }
  return all;
}

/** What maps a viewBox into a viewport, as `preserveAspectRatio` says. */
function viewMatrix(box: readonly number[], w: number, h: number, ratio: string): Matrix {
  const [x = 0, y = 0, bw = 0, bh = 0] = box;
  if (!(bw > 0 && bh > 0)) return identity;
  const [sx, sy] = [w / bw, h / bh];
  if (/^\s*none/.test(ratio)) return chain(scaling(sx, sy), translation(-x, -y));
  const k = /slice/.test(ratio) ? Math.max(sx, sy) : Math.min(sx, sy);
  const at = (spare: number, name: string) => (name === "Min" ? 0 : name === "Max" ? spare : spare / 2);
  const [, ax = "Mid", ay = "Mid"] = /x(Min|Mid|Max)Y(Min|Mid|Max)/.exec(ratio) ?? [];
  return chain(translation(at(w - bw * k, ax), at(h - bh * k, ay)), scaling(k, k), translation(-x, -y));
}

/** Presentation attributes, and the element's own style over them. */
function styleOf({ attributes }: SvgElement, before: Context["style"]): Record<string, string> {
  const style: Record<string, string> = {};
  for (const key of inherited) if (before[key] !== undefined) style[key] = before[key];
  for (const key of inherited) if (attributes[key] !== undefined) style[key] = attributes[key];
  for (const part of (attributes.style ?? "").split(";")) {
    const [key, value] = part.split(":");
    if (key && value !== undefined) style[key.trim().toLowerCase()] = value.replace(/!important/, "").trim();
  }
  return style;
}

/** A paint as a plain colour: gradients and patterns become the stone of an empty place. */
function paintOf(text: string | undefined, colourOf: ColourOf, style: Context["style"]): Colour | undefined {
  if (text === undefined || /^(none|transparent)$/i.test(text.trim())) return undefined;
  if (/^currentcolor$/i.test(text.trim())) return colourOf(style.color ?? "black") ?? "#000000";
  return colourOf(text) ?? "#d9d2c4";
}

/** CSS colours by name or in any of their forms, as the browser reads them; nothing where it is none. */
export type ColourOf = (text: string) => Colour | undefined;

/** All closed shapes of a drawing, in the order in which they are drawn. */
export function shapesOfSvg(root: SvgElement, colourOf: ColourOf): DrawnShapes {
  const byId = new Map<string, SvgElement>();
  const index = (e: SvgElement, depth: number) => {
    if (e.attributes.id !== undefined && !byId.has(e.attributes.id)) byId.set(e.attributes.id, e);
    if (depth < 200) for (const c of e.children) index(c, depth + 1);
  };
  index(root, 0);
  const box = numbersIn(root.attributes.viewBox ?? "");
  const w = lengthOf(root.attributes.width, box[2] ?? 300, box[2] ?? 300) || 300;
  const h = lengthOf(root.attributes.height, box[3] ?? 150, box[3] ?? 150) || 150;
  const shapes: DrawnShape[] = [];
  const leftOut = { open: 0, words: 0, pictures: 0, broken: 0 };

  const draw = (e: SvgElement, given: Context): void => {
    if (given.depth > deepest || shapes.length >= mostShapes) return;
    const style = styleOf(e, given.style);
    if (style.display === "none") return;
    const opacity = given.opacity * Math.max(0, Math.min(1, lengthOf(e.attributes.opacity ?? style.opacity, 1, 1)));
    const at: Context = {
      ...given,
      matrix: chain(given.matrix, transformOf(e.attributes.transform)),
      style,
      opacity,
      depth: given.depth + 1,
    };
    const length = (key: string, of: number, without = 0) => lengthOf(e.attributes[key], of, without);
    switch (e.name) {
      case "g":
        if (e.attributes[tileAttribute] === undefined) for (const c of e.children) draw(c, at);
        else whole(e, at);
        return;
      case "a":
      case "switch":
        for (const c of e.children) draw(c, at);
        return;
      case "svg": {
        const [x, y] = [length("x", at.view.w), length("y", at.view.h)];
        const view = { w: length("width", at.view.w, at.view.w), h: length("height", at.view.h, at.view.h) };
        inView(e, { ...at, matrix: chain(at.matrix, translation(x, y)) }, view);
        return;
      }
      case "use": {
        const to = byId.get((e.attributes.href ?? "").replace(/^#/, ""));
        if (!to || to === e) return;
        const moved = {
          ...at,
          matrix: chain(at.matrix, translation(length("x", at.view.w), length("y", at.view.h))),
        };
        if (to.name !== "symbol") draw(to, moved);
        else inView(to, moved, { w: length("width", at.view.w, at.view.w), h: length("height", at.view.h, at.view.h) });
        return;
      }
      case "text":
        leftOut.words += 1;
        return;
      case "image":
        leftOut.pictures += 1;
        return;
      default:
        take(e, at);
    }
  };

  const inView = (e: SvgElement, at: Context, size: Context["view"]): void => {
    const own = numbersIn(e.attributes.viewBox ?? "");
    const matrix = chain(at.matrix, viewMatrix(own, size.w, size.h, e.attributes.preserveAspectRatio ?? ""));
    const view = own.length === 4 ? { w: own[2]!, h: own[3]! } : size;
    for (const c of e.children) draw(c, { ...at, matrix, view });
  };

  const take = (e: SvgElement, at: Context): void => {
    const d = pathTextOf(e, at.view);
    if (d === undefined || at.style.visibility === "hidden") return;
    const fill = paintOf(at.style.fill ?? "black", colourOf, at.style);
    const path = closedPath(d, at.matrix, fill !== undefined && at.style.fill !== undefined);
    if (path === "broken") leftOut.broken += 1;
    else if (path === "open") leftOut.open += 1;
    else {
      const rule = at.style["fill-rule"]?.trim();
      const scale = Math.sqrt(Math.abs(at.matrix.a * at.matrix.d - at.matrix.b * at.matrix.c));
      const widthMm =
        lengthOf(at.style["stroke-width"], Math.hypot(at.view.w, at.view.h) / Math.SQRT2, 1) * scale * mmPerPx;
      const line = paintOf(at.style.stroke, colourOf, at.style);
      shapes.push({
        name: nameOf(e),
        path: rule === "evenodd" ? asNonzero(path) : path,
        fill,
        stroke: line && widthMm > 0 ? { widthMm: Math.min(50, widthMm), colour: line } : undefined,
        opacity: at.opacity,
        tileId: e.attributes[tileAttribute],
      });
    }
  };

  /** A tile as this program wrote it: what is drawn inside it is no shape of its own. */
  const whole = (e: SvgElement, at: Context): void => {
    const line = e.children.find((c) => c.attributes[lineAttribute] !== undefined);
    const matrix = line ? chain(at.matrix, transformOf(line.attributes.transform)) : at.matrix;
    const path = line ? closedPath(line.attributes.d ?? "", matrix, true) : [];
    shapes.push({
      name: nameOf(e),
      path: typeof path === "string" ? [] : path,
      fill: undefined,
      stroke: undefined,
      opacity: at.opacity,
      tileId: e.attributes[tileAttribute],
    });
  };

  inView(root, { matrix: identity, view: { w, h }, style: styleOf(root, {}), opacity: 1, depth: 0 }, { w, h });
  return { widthMm: w * mmPerPx, heightMm: h * mmPerPx, shapes, leftOut };
}

function nameOf(e: SvgElement): string {
  const title = e.children.find((c) => c.name === "title")?.text.trim();
  return (title || e.attributes["data-name"] || e.attributes.id || "").slice(0, 120);
}

/** Any basic shape as the text of a path, in user units; nothing for what draws no shape. */
function pathTextOf({ name, attributes: a }: SvgElement, view: Context["view"]): string | undefined {
  const [x, y] = [
    (k: string, without = 0) => lengthOf(a[k], view.w, without),
    (k: string, without = 0) => lengthOf(a[k], view.h, without),
  ];
  const across = Math.hypot(view.w, view.h) / Math.SQRT2;
  const oval = (cx: number, cy: number, rx: number, ry: number): string | undefined =>
    rx > 0 && ry > 0
      ? // In eighths: an arc of a quarter as one curve would be off by 0.027 % of the radius.
        `M${cx + rx} ${cy}${Array.from({ length: 8 }, (_, i) => {
          const t = ((i + 1) * Math.PI) / 4;
          return `A${rx} ${ry} 0 0 1 ${cx + rx * Math.cos(t)} ${cy + ry * Math.sin(t)}`;
        }).join("")}Z`
      : undefined;
  switch (name) {
    case "path":
      return a.d ?? "";
    case "rect": {
      const [l, t, w, h] = [x("x"), y("y"), x("width"), y("height")];
      if (!(w > 0 && h > 0)) return undefined;
      const rx = Math.min(w / 2, x("rx", y("ry")));
      const ry = Math.min(h / 2, y("ry", x("rx")));
      if (!(rx > 0 && ry > 0)) return `M${l} ${t}h${w}v${h}h${-w}Z`;
      const arc = (dx: number, dy: number) => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
      return `M${l + rx} ${t}h${w - 2 * rx}${arc(rx, ry)}v${h - 2 * ry}${arc(-rx, ry)}h${2 * rx - w}${arc(-rx, -ry)}v${2 * ry - h}${arc(rx, -ry)}Z`;
    }
    case "circle":
      return oval(x("cx"), y("cy"), lengthOf(a.r, across), lengthOf(a.r, across));
    case "ellipse":
      return oval(x("cx"), y("cy"), x("rx"), y("ry"));
    case "polygon":
    case "polyline": {
      const n = numbersIn(a.points ?? "");
      const points = Array.from({ length: Math.floor(n.length / 2) }, (_, i) => `${n[2 * i]} ${n[2 * i + 1]}`);
      return points.length < 2 ? "" : `M${points.join("L")}${name === "polygon" ? "Z" : ""}`;
    }
    default:
      return undefined;
  }
}

/** A path on the page in mm, of its closed parts; parts that are filled count as closed, as they are painted. */
function closedPath(d: string, matrix: Matrix, filled: boolean): PathData | "open" | "broken" {
  let commands: SVGPathData["commands"];
  try {
    commands = new SVGPathData(d).toAbs().normalizeHVZ(false).normalizeST().qtToC().aToC().commands;
  } catch {
    return "broken";
  }
  if (commands.length > mostSegments) return "broken";
  const parts: PathSegment[][] = [];
  let closed = false;
  let ends: { start: Point; end: Point } | undefined;
  const map = (x: number, y: number): Point => {
    const p = applyTo(matrix, { x, y });
    return { x: p.x * mmPerPx, y: p.y * mmPerPx };
  };
  const finish = () => {
    const part = parts.at(-1);
    if (!part || !ends) return;
    const meets = Math.hypot(ends.start.x - ends.end.x, ends.start.y - ends.end.y) < 0.01;
    if (closed || meets || filled) part.push(["Z"]);
    else parts.pop();
    ends = undefined;
    closed = false;
  };
  for (const c of commands) {
    if (c.type === SVGPathData.MOVE_TO) {
      finish();
      const p = map(c.x, c.y);
      parts.push([["M", p.x, p.y]]);
      ends = { start: p, end: p };
    } else if (c.type === SVGPathData.CLOSE_PATH) closed = true;
    else if ((c.type === SVGPathData.LINE_TO || c.type === SVGPathData.CURVE_TO) && ends) {
      const part = parts.at(-1)!;
      const p = map(c.x, c.y);
      if (c.type === SVGPathData.LINE_TO) part.push(["L", p.x, p.y]);
      else {
        const [a, b] = [map(c.x1, c.y1), map(c.x2, c.y2)];
        part.push(["C", a.x, a.y, b.x, b.y, p.x, p.y]);
      }
      ends = { ...ends, end: p };
    }
  }
  const begun = parts.length > 0;
  finish();
  const path = parts.filter((p) => p.length > 3).flat();
  if (path.some((s) => s.slice(1).some((v) => !Number.isFinite(v) || Math.abs(v as number) > 1e5))) return "broken";
  if (path.length === 0) return begun ? "open" : "broken";
  return areaOf(path) < leastMm2 ? "broken" : path;
}

/** Holes that the even-odd rule leaves, as rings that leave them by the nonzero rule: so all outlines are filled. */
function asNonzero(path: PathData): PathData {
  if (path.filter((s) => s[0] === "M").length < 2) return path;
  return pathOfRings(evenOddRings(flattened(path)));
}

/** The area of the box around it: nothing lies in a shape without one. */
function areaOf(path: PathData): number {
  const points = path.flatMap((s) => (s[0] === "Z" ? [] : [{ x: s.at(-2) as number, y: s.at(-1) as number }]));
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
  const range = (v: readonly number[]) =>
    v.reduce((m, n) => Math.max(m, n), -Infinity) - v.reduce((m, n) => Math.min(m, n), Infinity);
  return range(xs) * range(ys);
}
