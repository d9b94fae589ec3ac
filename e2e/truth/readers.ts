import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { unzipSync } from "fflate";
import sharp, { type Sharp } from "sharp";

/** Finished files as programs that are not ours see them, in sRGB. */

export interface Seen {
  readonly data: Uint8Array;
  readonly width: number;
  readonly height: number;
}

const run = (command: string, ...args: string[]): string =>
  execFileSync(command, args, { encoding: "latin1", maxBuffer: 1 << 26, stdio: ["ignore", "pipe", "pipe"] });

const rgb = async (picture: Sharp): Promise<Seen> => {
  const { data, info } = await picture.removeAlpha().withIccProfile("srgb").raw().toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
};

/** libvips with lcms for pictures, poppler with lcms for PDFs, librsvg for drawings. */
export async function seen(path: string, ppi: number): Promise<Seen> {
  const made = join(mkdtempSync(join(tmpdir(), "tessip-seen-")), "seen.png");
  if (path.endsWith(".pdf")) {
    run("pdftoppm", "-r", String(ppi), "-png", "-singlefile", path, made.replace(/\.png$/, ""));
    return rgb(sharp(made));
  }
  if (path.endsWith(".svg")) {
    run("rsvg-convert", "--unlimited", "-d", String(ppi), "-p", String(ppi), "-o", made, path);
    return rgb(sharp(made).flatten({ background: "#ffffff" }));
  }
  if (path.endsWith(".ora")) {
    const merged = unzipSync(new Uint8Array(readFileSync(path)), { filter: (f) => f.name === "mergedimage.png" });
    return rgb(sharp(Object.values(merged)[0]!));
  }
  return rgb(sharp(path));
}

/** What stricter readers say of it; throws where they find fault. */
export function sound(path: string): string {
  if (path.endsWith(".png")) return run("pngcheck", "-q", path);
  if (path.endsWith(".tif")) return run("tiffinfo", "-D", path);
  if (path.endsWith(".pdf")) return run("qpdf", "--check", path);
  if (path.endsWith(".svg")) return run("rsvg-convert", "--unlimited", "-w", "10", path);
  if (path.endsWith(".ora")) return run("unzip", "-tq", path);
  return run("exiftool", "-validate", "-warning", "-error", path);
}

/** The one picture inside a PDF, as it lies there. */
export async function pictureInPdf(path: string): Promise<Seen> {
  const folder = mkdtempSync(join(tmpdir(), "tessip-seen-"));
  run("pdfimages", "-png", path, join(folder, "p"));
  return rgb(sharp(join(folder, "p-000.png")));
}

/** The pictures inside a drawing, each with its profile applied. */
export async function picturesIn(svgPath: string): Promise<Seen[]> {
  const found = readFileSync(svgPath, "utf8").matchAll(/href="data:image\/\w+;base64,([^"]+)"/g);
  return Promise.all([...found].map(([, data]) => rgb(sharp(Buffer.from(data!, "base64")))));
}

type Colour = readonly number[];

/** CIE 1976 L*a*b* of an sRGB colour. */
function lab(colour: Colour): number[] {
  const [r, g, b] = colour.map((v) => (v / 255 <= 0.04045 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4)) as [
    number,
    number,
    number,
  ];
  const xyz = [
    (0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.9505,
    0.2126 * r + 0.7152 * g + 0.0722 * b,
    (0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.089,
  ].map((t) => (t > 216 / 24_389 ? Math.cbrt(t) : (24_389 / 27) * (t / 116) + 16 / 116));
  return [116 * xyz[1]! - 16, 500 * (xyz[0]! - xyz[1]!), 200 * (xyz[1]! - xyz[2]!)];
}

export const apart = (a: Colour, b: Colour): number => {
  const [p, q] = [lab(a), lab(b)];
  return Math.hypot(...p.map((v, i) => v - q[i]!));
};

/** The mean colour of a square around a place, given in shares of the picture's sides. */
export function colourAt({ data, width, height }: Seen, u: number, v: number, halfPx = 3): number[] {
  const [cx, cy] = [Math.round(u * width), Math.round(v * height)];
  const sums = [0, 0, 0];
  for (let y = cy - halfPx; y <= cy + halfPx; y += 1)
    for (let x = cx - halfPx; x <= cx + halfPx; x += 1)
      for (let c = 0; c < 3; c += 1) sums[c]! += data[3 * (y * width + x) + c]!;
  return sums.map((s) => s / (2 * halfPx + 1) ** 2);
}

export interface Difference {
  readonly mean: number;
  readonly worst: number;
}

export function differences(values: readonly number[]): Difference {
  return { mean: values.reduce((s, v) => s + v, 0) / values.length, worst: Math.max(...values) };
}

/** How many of a picture's pixels differ from another's by more than JPEG may; both in shares of the first one's size. */
export async function pixelsOff(a: Seen, b: Seen): Promise<number> {
  const other = await sharp(b.data, { raw: { width: b.width, height: b.height, channels: 3 } })
    .resize(a.width, a.height, { fit: "fill", kernel: "cubic" })
    .blur(1)
    .raw()
    .toBuffer();
  const own = await sharp(a.data, { raw: { width: a.width, height: a.height, channels: 3 } })
    .blur(1)
    .raw()
    .toBuffer();
  let off = 0;
  for (let i = 0; i < own.length; i += 3)
    if ([0, 1, 2].some((c) => Math.abs(own[i + c]! - other[i + c]!) > mostOff)) off += 1;
  return off / (own.length / 3);
}

const mostOff = 24;
