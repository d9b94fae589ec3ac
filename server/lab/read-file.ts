import { type FileHandle, open } from "node:fs/promises";
import { inflateSync } from "node:zlib";
import { isSrgb, jpegProfile, readJpegFacts, viewOf } from "#core/files";
import { isContent, mostContent, typeSizes } from "./pdf-type.ts";

/** What a file says of itself, read by the lab from its bytes. */
export type FileFacts =
  | {
      readonly kind: "jpeg" | "png" | "tiff";
      readonly widthPx: number;
      readonly heightPx: number;
      readonly ppi: number | undefined;
      readonly components: number;
      readonly profile: "srgb" | "other" | undefined;
    }
  | {
      readonly kind: "pdf";
      /** Of each page, in points. */
      readonly trims: readonly { readonly w: number; readonly h: number }[];
      /** Of its smallest letters, in points; nothing where it has no letters. */
      readonly leastTypePt: number | undefined;
    };

/** Everything that is read stands in front of the pixels; only a PDF is looked through as a whole, in pieces. */
const headBytes = 1_000_000;
const mostPdfBytes = 600_000_000;
/** In bytes: a page's object names a font or a photo in a few of them. */
const longestPage = 20_000;
const pieceBytes = 262_144;
const mostPages = 5_000;

const starts = (bytes: Uint8Array, ...with_: number[]): boolean => with_.every((b, i) => bytes[i] === b);

/** Undefined for a file of another kind, or one that is broken. */
export async function readFile(path: string): Promise<FileFacts | undefined> {
  const file = await open(path);
  try {
    const { size } = await file.stat();
    const head = Buffer.alloc(Math.min(size, headBytes));
    await file.read(head, 0, head.length, 0);
    if (starts(head, 0x25, 0x50, 0x44, 0x46)) {
      return size > mostPdfBytes ? undefined : await pdfFacts(file, size);
    }
    if (starts(head, 0xff, 0xd8)) return jpegFacts(head);
    if (starts(head, 0x89, 0x50, 0x4e, 0x47)) return pngFacts(head);
    if (starts(head, 0x49, 0x49, 42, 0)) return tiffFacts(head);
    return undefined;
  } catch {
    return undefined;
  } finally {
    await file.close();
  }
}

const profileOf = (bytes: Uint8Array | undefined) => (bytes ? (isSrgb(bytes) ? "srgb" : "other") : undefined);

function jpegFacts(head: Uint8Array): FileFacts {
  const { widthPx, heightPx, ppi, components } = readJpegFacts(head);
  return { kind: "jpeg", widthPx, heightPx, ppi, components, profile: profileOf(jpegProfile(head)) };
}

const mmPerInch = 25.4;

/** W3C PNG, third edition: IHDR, iCCP and pHYs in front of the first IDAT. */
function pngFacts(head: Uint8Array): FileFacts | undefined {
  const view = viewOf(head);
  let ppi: number | undefined;
  let profile: Uint8Array | undefined;
  let components = 0;
  for (let at = 8; at + 12 <= head.length; ) {
    const length = view.getUint32(at);
    const name = String.fromCharCode(...head.subarray(at + 4, at + 8));
    const data = head.subarray(at + 8, at + 8 + length);
    if (name === "IHDR") components = ({ 0: 1, 2: 3, 3: 3, 4: 2, 6: 4 } as Record<number, number>)[data[9]!] ?? 0;
    if (name === "pHYs" && data[8] === 1) ppi = (viewOf(data).getUint32(0) * mmPerInch) / 1000;
    if (name === "iCCP") profile = inflateSync(data.subarray(data.indexOf(0) + 2), { maxOutputLength: 4_000_000 });
    if (name === "IDAT" || name === "IEND") break;
    at += 12 + length;
  }
  const [widthPx, heightPx] = [view.getUint32(16), view.getUint32(20)];
  return { kind: "png", widthPx, heightPx, ppi, components, profile: profileOf(profile) };
}

/** TIFF 6.0, little-endian, its first directory. */
function tiffFacts(head: Uint8Array): FileFacts | undefined {
  const view = viewOf(head);
  const directory = view.getUint32(4, true);
  const entries = view.getUint16(directory, true);
  const found = new Map<number, { readonly count: number; readonly value: number }>();
  for (let i = 0; i < Math.min(entries, 200); i += 1) {
    const at = directory + 2 + 12 * i;
    const short = view.getUint16(at + 2, true) === 3;
    const count = view.getUint32(at + 4, true);
    const value = short && count === 1 ? view.getUint16(at + 8, true) : view.getUint32(at + 8, true);
    found.set(view.getUint16(at, true), { count, value });
  }
  const density = found.get(282);
  const icc = found.get(34_675);
  return {
    kind: "tiff",
    widthPx: found.get(256)?.value ?? 0,
    heightPx: found.get(257)?.value ?? 0,
    ppi: density && view.getUint32(density.value, true) / view.getUint32(density.value + 4, true),
    components: found.get(277)?.value ?? 0,
    profile: profileOf(icc && head.subarray(icc.value, icc.value + icc.count)),
  };
}

/**
 * The boxes of each page, as they stand in its object (ISO 32000-1, 14.11.2); files with packed objects are not read. A piece
 * at a time, with a pause after each, so that a large file holds up nobody else's answer.
 */
async function pdfFacts(file: FileHandle, size: number): Promise<FileFacts | undefined> {
  const trims: { w: number; h: number }[] = [];
  const sizes: number[] = [];
  const piece = Buffer.alloc(pieceBytes);
  // What may belong to an object that ends in the next piece.
  let open = "";
  for (let at = 0; at < size; ) {
    const { bytesRead } = await file.read(piece, 0, pieceBytes, at);
    if (bytesRead === 0) return undefined;
    at += bytesRead;
    const objects = (open + piece.toString("latin1", 0, bytesRead)).split("endobj");
    open = objects.pop()!;
    if (open.length > (isContent(open) ? mostContent : longestPage)) open = open.slice(-longestPage);
    for (const object of objects) {
      if (isContent(object)) sizes.push(...typeSizes(object));
      const page = object.slice(-longestPage);
      if (!/\/Type\s{0,9}\/Page\b(?!s)/.test(page)) continue;
      const box = trimBox.exec(page);
      if (!box || trims.length >= mostPages) return undefined;
      const [x0, y0, x1, y1] = box.slice(1).map(Number) as [number, number, number, number];
      trims.push({ w: x1 - x0, h: y1 - y0 });
    }
    await new Promise((go) => setImmediate(go));
  }
  const leastTypePt = sizes.length > 0 ? Math.min(...sizes) : undefined;
  return trims.length > 0 ? { kind: "pdf", trims, leastTypePt } : undefined;
}

const number = "([-\\d.]{1,20})";
const trimBox = new RegExp(
  `/TrimBox\\s{0,9}\\[\\s{0,9}${[number, number, number, number].join("\\s{1,9}")}\\s{0,9}\\]`,
);
