import DOMPurify from "dompurify";
import { attributeLooksOutside, styleLooksOutside } from "#core/files";
import { wallClock } from "#core/photo";
import type { ReadPhoto } from "../workers/jobs.ts";
import { previewLongPx } from "./preview-sizes.ts";
import { sha256 } from "./sha256.ts";

export type SvgTrouble = "svgTooLarge" | "svgDamaged";

export class UnreadableSvg extends Error {
  readonly code: SvgTrouble;
  constructor(code: SvgTrouble, name: string) {
    super(name);
    this.code = code;
  }
}

export interface ReadSvg extends ReadPhoto {
  /** The drawing without what could run or be fetched: what is kept of it. */
  readonly cleaned: Blob;
  /** How many parts were taken out. */
  readonly takenOut: number;
}

const mostBytes = 8_000_000;
/** A drawing has no pixels of its own: it counts as one that prints sharp over ten inches. */
const longPx = 3000;

/**
 * Reads a drawing that may be hostile. On the page's own thread, since only there is a parser for it; it is never put
 * into the page, and shown only as an image, where the browser runs and fetches nothing.
 */
export async function readSvg(file: File): Promise<ReadSvg> {
  if (file.size > mostBytes) throw new UnreadableSvg("svgTooLarge", file.name);
  const bytes = await file.arrayBuffer();
  const { svg, takenOut } = clean(new TextDecoder().decode(bytes), file.name);
  const { widthPx, heightPx } = measured(svg);
  const cleaned = new Blob([new XMLSerializer().serializeToString(svg)], { type: "image/svg+xml" });
  return {
    facts: {
      name: file.name,
      type: "image/svg+xml",
      sizeBytes: cleaned.size,
      // Of what is kept, not of what came: the kept bytes have to be known again elsewhere.
      hash: await sha256(await cleaned.arrayBuffer()),
      widthPx,
      heightPx,
      takenAt: wallClock(file.lastModified, -new Date(file.lastModified).getTimezoneOffset()),
      takenFrom: "file",
      caption: "",
    },
    small: await drawingPreview(cleaned, { widthPx, heightPx, name: file.name }, previewLongPx.small),
    cleaned,
    takenOut,
  };
}

function clean(text: string, name: string): { readonly svg: SVGSVGElement; readonly takenOut: number } {
  const purify = DOMPurify(window);
  let outside = 0;
  purify.addHook("uponSanitizeAttribute", (_node, data) => {
    if (!attributeLooksOutside(data.attrName, data.attrValue)) return;
    data.keepAttr = false;
    outside += 1;
  });
  purify.addHook("uponSanitizeElement", (node, data) => {
    if (data.tagName !== "style" || !styleLooksOutside(node.textContent ?? "")) return;
    node.textContent = "";
    outside += 1;
  });
  const fragment = purify.sanitize(text, {
    USE_PROFILES: { svg: true, svgFilters: true },
    // Safe once their references stay inside.
    ADD_TAGS: ["use", "image"],
    RETURN_DOM_FRAGMENT: true,
  });
  const svg = fragment.querySelector("svg");
  if (!svg) throw new UnreadableSvg("svgDamaged", name);
  // What is put in by parsing as HTML and not by the file is no loss to anybody.
  const removed = purify.removed.filter(
    (r) => !("element" in r) || !["HEAD", "BODY", "#comment"].includes(r.element.nodeName),
  );
  return { svg, takenOut: Math.max(outside, removed.length) };
}

/** Gives the drawing a size of its own, without which an image has none. */
function measured(svg: SVGSVGElement): { readonly widthPx: number; readonly heightPx: number } {
  const [, , boxW = 0, boxH = 0] = (svg.getAttribute("viewBox") ?? "").split(/[\s,]+/).map(Number);
  const length = (attribute: string) => {
    const value = /^\s*([\d.]+)\s*(px|pt|mm|cm|in|)\s*$/.exec(svg.getAttribute(attribute) ?? "");
    return value ? Number(value[1]) : 0;
  };
  const [w, h] = [length("width") || boxW || 1, length("height") || boxH || 1];
  if (!svg.hasAttribute("viewBox")) svg.setAttribute("viewBox", `0 0 ${w} ${h}`);
  const k = longPx / Math.max(w, h);
  const size = { widthPx: Math.max(1, Math.round(w * k)), heightPx: Math.max(1, Math.round(h * k)) };
  svg.setAttribute("width", String(size.widthPx));
  svg.setAttribute("height", String(size.heightPx));
  svg.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  return size;
}

/** A picture of a drawing that was cleaned. */
export async function drawingPreview(
  cleaned: Blob,
  { widthPx, heightPx, name }: { readonly widthPx: number; readonly heightPx: number; readonly name: string },
  longPx: number,
): Promise<Blob> {
  const url = URL.createObjectURL(cleaned);
  try {
    const image = new Image();
    image.src = url;
    await image.decode().catch(() => {
      throw new UnreadableSvg("svgDamaged", name);
    });
    const k = longPx / Math.max(widthPx, heightPx);
    const canvas = new OffscreenCanvas(Math.max(1, Math.round(widthPx * k)), Math.max(1, Math.round(heightPx * k)));
    canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await canvas.convertToBlob({ type: "image/webp", quality: 0.9 });
  } finally {
    URL.revokeObjectURL(url);
  }
}
