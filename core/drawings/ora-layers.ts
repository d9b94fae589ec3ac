import type { SvgElement } from "./svg-shapes.ts";

/** One layer of an OpenRaster picture (OpenRaster 0.0.6). Lengths in pixels of the picture. */
export interface OraLayer {
  readonly name: string;
  /** Its picture's path in the archive. */
  readonly src: string;
  readonly x: number;
  readonly y: number;
  readonly opacity: number;
  readonly visible: boolean;
}

export interface OraPicture {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Pixels to the inch; undefined where it is not said. */
  readonly ppi: number | undefined;
  /** Back to front. */
  readonly layers: readonly OraLayer[];
}

const mostLayers = 300;
const mostPx = 200_000;
const deepest = 40;

/** What an archive's `stack.xml` says; nothing where it says no picture that could be laid out. Groups are taken apart: their layers are as faint as they, and hidden with them. */
export function layersOfStack(root: SvgElement): OraPicture | undefined {
  const [widthPx, heightPx] = [whole(root.attributes.w), whole(root.attributes.h)];
  const sound = (px: number | undefined): px is number => px !== undefined && px > 0 && px <= mostPx;
  if (root.name !== "image" || !sound(widthPx) || !sound(heightPx)) return undefined;
  const layers: OraLayer[] = [];
  const take = (e: SvgElement, opacity: number, visible: boolean, depth: number): void => {
    if (depth > deepest || layers.length >= mostLayers) return;
    const seen = visible && e.attributes.visibility !== "hidden";
    const strength = opacity * shareOf(e.attributes.opacity);
    if (e.name === "layer") {
      const { src, name = "", x, y } = e.attributes;
      if (src)
        layers.push({
          name: name.slice(0, 120),
          src,
          x: whole(x) ?? 0,
          y: whole(y) ?? 0,
          opacity: strength,
          visible: seen,
        });
      return;
    }
    // The file lists them from the top.
    for (const c of e.children.toReversed()) take(c, strength, seen, depth + 1);
  };
  take(root, 1, true, 0);
  const xres = whole(root.attributes.xres);
  return { widthPx, heightPx, ppi: xres && xres > 0 && xres < 10_000 ? xres : undefined, layers };
}

function whole(text: string | undefined): number | undefined {
  const n = Number(text);
  return text !== undefined && text.trim() !== "" && Number.isFinite(n) && Math.abs(n) < 1e6
    ? Math.round(n)
    : undefined;
}

function shareOf(text: string | undefined): number {
  const n = Number(text ?? 1);
  return Number.isFinite(n) ? Math.min(1, Math.max(0, n)) : 1;
}
