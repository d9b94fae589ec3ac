export type PictureKind = "jpeg" | "png" | "webp" | "gif" | "bmp" | "avif" | "heic" | "tiff" | "unknown";

const ascii = (b: Uint8Array, at: number, n: number) => String.fromCharCode(...b.subarray(at, at + n));

/** What a file is by its first bytes (32 are enough), whatever its name says. */
export function sniffPicture(head: Uint8Array): PictureKind {
  if (head[0] === 0xff && head[1] === 0xd8 && head[2] === 0xff) return "jpeg";
  if (ascii(head, 0, 8) === "\x89PNG\r\n\x1a\n") return "png";
  if (ascii(head, 0, 4) === "RIFF" && ascii(head, 8, 4) === "WEBP") return "webp";
  if (/^GIF8[79]a/.test(ascii(head, 0, 6))) return "gif";
  if (ascii(head, 0, 2) === "BM" && head.length > 14) return "bmp";
  if (/^(II\*\0|MM\0\*)/.test(ascii(head, 0, 4))) return "tiff";
  if (ascii(head, 4, 4) === "ftyp") {
    const brand = ascii(head, 8, 4);
    if (brand === "avif" || brand === "avis") return "avif";
    if (/^(heic|heix|hevc|heim|heis|mif1|msf1)$/.test(brand)) return "heic";
  }
  return "unknown";
}

export const mediaType: Readonly<Record<Exclude<PictureKind, "unknown">, string>> = {
  jpeg: "image/jpeg",
  png: "image/png",
  webp: "image/webp",
  gif: "image/gif",
  bmp: "image/bmp",
  avif: "image/avif",
  heic: "image/heic",
  tiff: "image/tiff",
};
