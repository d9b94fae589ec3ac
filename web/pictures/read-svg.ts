import DOMPurify from "dompurify";
import type { ColourOf, SvgElement } from "#core/drawings";
import {
  attributeLooksOutside,
  mostSvgElements,
  mostSvgSegments,
  type SvgNode,
  styleLooksOutside,
  svgWeight,
} from "#core/files";
import { wallClock } from "#core/photo";
import { inTime } from "../storage/in-time.ts";
import { sha256 } from "../storage/sha256.ts";
import type { ReadPhoto } from "../workers/jobs.ts";
import { previewLongPx } from "./preview-sizes.ts";

export type SvgTrouble = "svgTooLarge" | "svgTooHeavy" | "svgDamaged";

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
const mostDecodeMs = 10_000;
/** A drawing has no pixels of its own: it counts as one that prints sharp over ten inches. */
const longPx = 3000;

/**
 * Reads a drawing that may be hostile. On the page's own thread, since only there is a parser for it; it is never put
 * into the page, and shown only as an image, where the browser runs and fetches nothing.
 */
export async function readSvg(file: File): Promise<ReadSvg> {
  if (file.size > mostBytes) throw new UnreadableSvg("svgTooLarge", file.name);
  const bytes = await file.arrayBuffer();
  const { text, handlers } = withoutHandlers(textOf(bytes));
  const { svg, takenOut } = clean(weighed(text, file.name), handlers, file.name);
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

/** XML is UTF-8 unless a mark at its start, or its first letters in pairs, say that it is UTF-16 (XML 1.0, appendix F). */
function textOf(bytes: ArrayBuffer): string {
  const [a, b] = new Uint8Array(bytes);
  const big = (a === 0xfe && b === 0xff) || (a === 0 && b === 0x3c);
  const little = (a === 0xff && b === 0xfe) || (a === 0x3c && b === 0);
  const text = new TextDecoder(big ? "utf-16be" : little ? "utf-16le" : "utf-8").decode(bytes);
  // What it says of its own coding is not true of a text any more.
  return text.replace(/^\s*<\?xml[^>]*\?>/, "");
}

const mostTags = 120_000;
const drawn = new Set(["path", "polygon", "polyline"]);

/**
 * The drawing alone, as text, once it is known that showing it costs little. Parsed where nothing runs and nothing is fetched;
 * names that stand for text are written out, which the parser gives up where they stand for too much.
 */
function weighed(text: string, name: string): string {
  let tags = 0;
  for (let at = text.indexOf("<"); at >= 0 && tags <= mostTags; at = text.indexOf("<", at + 1)) tags += 1;
  if (tags > mostTags) throw new UnreadableSvg("svgTooHeavy", name);
  const doc = new DOMParser().parseFromString(text, "image/svg+xml");
  if (doc.querySelector("parsererror")) throw new UnreadableSvg("svgDamaged", name);
  const { elements, segments } = svgWeight(nodeOf(doc.documentElement));
  if (elements > mostSvgElements || segments > mostSvgSegments) throw new UnreadableSvg("svgTooHeavy", name);
  const plain = new XMLSerializer().serializeToString(doc.documentElement);
  if (plain.length > mostBytes) throw new UnreadableSvg("svgTooHeavy", name);
  return plain;
}

function nodeOf(root: Element): SvgNode {
  const made = new Map<Element, SvgNode & { children: SvgNode[] }>();
  for (const e of [root, ...root.querySelectorAll("*")]) {
    const href = e.localName === "use" ? (e.getAttribute("href") ?? e.getAttribute("xlink:href")) : undefined;
    const shape = drawn.has(e.localName) ? `${e.getAttribute("d") ?? ""} ${e.getAttribute("points") ?? ""}` : "";
    const node = {
      id: e.getAttribute("id") ?? undefined,
      uses: href?.startsWith("#") ? href.slice(1) : undefined,
      numbers: shape.match(/[\d.]+/g)?.length ?? 0,
      children: [] as SvgNode[],
    };
    made.set(e, node);
    const around = e === root ? undefined : made.get(e.parentElement!);
    around?.children.push(node);
  }
  return made.get(root)!;
}

const off = "data-off-";

/**
 * Even where nothing runs, a parser hands event handlers to the page's policy: they are given another name before any parser
 * sees them, and are taken out with it.
 */
function withoutHandlers(text: string): { readonly text: string; readonly handlers: number } {
  let handlers = 0;
  const renamed = text.replace(/<[^<>]*>/g, (tag) =>
    tag.replace(/([\s"'/])(on[a-z]+\s*=)/gi, (_, before: string, handler: string) => {
      handlers += 1;
      return `${before}${off}${handler}`;
    }),
  );
  return { text: renamed, handlers };
}

function clean(
  text: string,
  handlers: number,
  name: string,
): { readonly svg: SVGSVGElement; readonly takenOut: number } {
  const purify = DOMPurify(window);
  let outside = handlers;
  purify.addHook("uponSanitizeAttribute", (_node, data) => {
    if (data.attrName.startsWith(off)) data.keepAttr = false;
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

/** With all its pictures inside it. */
const mostDrawingBytes = 400_000_000;
const pictureInside = /href\s*=\s*(["'])data:image\/(png|jpeg);base64,([A-Za-z0-9+/=\s]*)\1/g;

/** A drawing's elements, and the pictures inside it, which its `image` elements name as `picture:0` and so on. */
export interface ReadDrawing {
  readonly root: SvgElement;
  readonly pictures: readonly { readonly type: string; readonly base64: string }[];
}

/** A drawing as plain data, parsed where nothing runs and nothing is fetched. */
export async function readDrawing(file: File): Promise<ReadDrawing> {
  if (file.size > mostDrawingBytes) throw new UnreadableSvg("svgTooLarge", file.name);
  const pictures: { type: string; base64: string }[] = [];
  const bare = textOf(await file.arrayBuffer()).replace(pictureInside, (_, quote, kind, base64) => {
    pictures.push({ type: `image/${kind}`, base64 });
    return `href=${quote}picture:${pictures.length - 1}${quote}`;
  });
  if (bare.length > mostBytes) throw new UnreadableSvg("svgTooLarge", file.name);
  const { text } = withoutHandlers(bare);
  const doc = new DOMParser().parseFromString(weighed(text, file.name), "image/svg+xml");
  const root = doc.documentElement;
  if (root.localName !== "svg") throw new UnreadableSvg("svgDamaged", file.name);
  return { root: elementOf(root, 0), pictures };
}

/** Some XML as plain data; nothing where it is none. */
export function parsedElement(text: string): SvgElement | undefined {
  // A document type could blow a few letters up to gigabytes, and nothing here needs one.
  if (text.trim() === "" || /<!DOCTYPE|<!ENTITY/i.test(text)) return undefined;
  const doc = new DOMParser().parseFromString(text, "application/xml");
  return doc.querySelector("parsererror") ? undefined : elementOf(doc.documentElement, 0);
}

const deepestElement = 300;

const elementOf = (e: Element, depth: number): SvgElement => ({
  name: e.localName,
  attributes: Object.fromEntries([...e.attributes].map((a) => [a.localName, a.value])),
  children: depth < deepestElement ? [...e.children].map((c) => elementOf(c, depth + 1)) : [],
  text: e.localName === "title" ? (e.textContent ?? "") : "",
});

/** CSS colours as the browser reads them. */
export function browserColour(): ColourOf {
  const ctx = new OffscreenCanvas(1, 1).getContext("2d")!;
  return (text) => {
    ctx.fillStyle = "#010203";
    ctx.fillStyle = text;
    const first = ctx.fillStyle;
    ctx.fillStyle = "#040506";
    ctx.fillStyle = text;
    // What it does not know leaves the colour as it was.
    if (first !== ctx.fillStyle) return undefined;
    return /^#[0-9a-f]{6}$/.test(first) ? first : undefined;
  };
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
    await inTime(image.decode(), mostDecodeMs, () => new UnreadableSvg("svgTooHeavy", name)).catch((e: unknown) => {
      throw e instanceof UnreadableSvg ? e : new UnreadableSvg("svgDamaged", name);
    });
    const k = longPx / Math.max(widthPx, heightPx);
    const canvas = new OffscreenCanvas(Math.max(1, Math.round(widthPx * k)), Math.max(1, Math.round(heightPx * k)));
    canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await canvas.convertToBlob({ type: "image/webp", quality: 0.9 });
  } finally {
    URL.revokeObjectURL(url);
  }
}
