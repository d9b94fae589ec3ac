import { readFileSync } from "node:fs";
import { crc32, deflateSync } from "node:zlib";
import { zipSync } from "fflate";
import sharp from "sharp";
import { pngThatSays, samplePhotos } from "../support/files.ts";
import type { Bend, Put } from "./shape.ts";

export async function pictures(put: Put, { flipped, cut, below }: Bend): Promise<void> {
  const base = sharp({ create: { width: 320, height: 240, channels: 3, background: "#3a7" } });
  const [jpeg, png, webp, avif, gif, tiff] = await Promise.all([
    base.clone().jpeg().toBuffer(),
    base.clone().png().toBuffer(),
    base.clone().webp().toBuffer(),
    base.clone().avif().toBuffer(),
    base.clone().gif().toBuffer(),
    base.clone().tiff({ compression: "lzw" }).toBuffer(),
  ]);
  const photo = readFileSync(samplePhotos(1)[0]!);
  const heic = readFileSync(new URL("../fixtures/halves.heic", import.meta.url));
  const kinds = { jpeg, png, webp, avif, gif, tiff, heic } as const;
  for (const [kind, bytes] of Object.entries(kinds)) {
    for (let i = 0; i < 4; i += 1) put("photos", `cut-${i}.${kind}`, cut(bytes));
    for (let i = 0; i < 5; i += 1) put("photos", `flipped-${i}.${kind}`, flipped(bytes, 1 + below(20), 12));
  }
  for (let i = 0; i < 4; i += 1) put("photos", `photo-flipped-${i}.jpg`, flipped(photo, 40, 2));
  const frame = Buffer.from(jpeg);
  const sof = frame.findIndex((b, i) => b === 0xff && [0xc0, 0xc2].includes(frame[i + 1]!));
  for (const [w, h] of [
    [65_535, 65_535],
    [0, 0],
    [65_535, 1],
  ] as const) {
    const lies = Buffer.from(frame);
    lies.writeUInt16BE(h, sof + 5);
    lies.writeUInt16BE(w, sof + 7);
    put("photos", `says-${w}x${h}.jpg`, lies);
  }
  for (const [w, h] of [
    [2 ** 31 - 1, 2 ** 31 - 1],
    [60_000, 60_000],
    [0, 5],
    [16_000, 16_000],
  ] as const)
    put("photos", `says-${w}x${h}.png`, pngThatSays(w, h));
  put("photos", "zeros.png", zerosPng(20_000, 13_000));
  put("photos", "empty.jpg", new Uint8Array(0));
  put("photos", "words.jpg", "Dear diary, this is no picture.");
  put("photos", "page.png", "<html><script>document.title='ran'</script></html>");
  put("photos", "polyglot.jpg", Buffer.concat([jpeg, zipSync({ "a.jpg": jpeg })]));
  put(
    "photos",
    "noise.bmp",
    Buffer.concat([Buffer.from("BM"), Buffer.from(Array.from({ length: 400 }, () => below(256)))]),
  );
  put("photos", "says-a-lot.bmp", bitmapThatSays(60_000, 60_000));
  for (const [i, bytes] of loopingTiffs().entries()) put("photos", `claims-${i}.tif`, bytes);
  put("photos", "exif-loop.jpg", withExifLoop(jpeg));
  put(
    "photos",
    "xmp-bomb.jpg",
    withXmp(jpeg, `<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa">]><x:xmpmeta>${"&a;".repeat(9000)}</x:xmpmeta>`),
  );
  for (const name of [
    "../../climbs.jpg",
    "CON.jpg",
    `${"n".repeat(600)}.jpg`,
    "<img src=x onerror=document.title='ran'>.jpg",
    "\u202egpj.exe.jpg",
    "a\u0000b.jpg",
  ])
    put("photos", name, Buffer.concat([jpeg, Buffer.from(name)]));
}

function zerosPng(width: number, height: number): Uint8Array {
  const chunk = (name: string, data: Buffer) => {
    const out = Buffer.alloc(12 + data.length);
    out.writeUInt32BE(data.length, 0);
    out.write(name, 4, "latin1");
    data.copy(out, 8);
    out.writeUInt32BE(crc32(out.subarray(4, 8 + data.length)), 8 + data.length);
    return out;
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([1, 0, 0, 0, 0], 8);
  const rows = deflateSync(Buffer.alloc((1 + Math.ceil(width / 8)) * height), { level: 9 });
  return Buffer.concat([
    Buffer.from("\x89PNG\r\n\x1a\n", "latin1"),
    chunk("IHDR", head),
    chunk("IDAT", rows),
    chunk("IEND", Buffer.alloc(0)),
  ]);
}

function bitmapThatSays(width: number, height: number): Uint8Array {
  const out = Buffer.alloc(60);
  out.write("BM");
  out.writeUInt32LE(54, 10);
  out.writeUInt32LE(40, 14);
  out.writeInt32LE(width, 18);
  out.writeInt32LE(height, 22);
  out.writeUInt16LE(1, 26);
  out.writeUInt16LE(24, 28);
  return out;
}

/** TIFF files whose directories lead back to themselves, or that claim what they cannot hold. */
function loopingTiffs(): Uint8Array[] {
  const make = (next: number, tags: readonly (readonly [number, number, number, number])[]) => {
    const out = Buffer.alloc(600);
    out.write("II");
    out.writeUInt16LE(42, 2);
    out.writeUInt32LE(8, 4);
    out.writeUInt16LE(tags.length, 8);
    for (const [i, [tag, type, count, value]] of tags.entries()) {
      out.writeUInt16LE(tag, 10 + 12 * i);
      out.writeUInt16LE(type, 12 + 12 * i);
      out.writeUInt32LE(count, 14 + 12 * i);
      out.writeUInt32LE(value, 18 + 12 * i);
    }
    out.writeUInt32LE(next, 10 + 12 * tags.length);
    return out;
  };
  const size = (w: number, h: number) =>
    [
      [256, 4, 1, w],
      [257, 4, 1, h],
    ] as const;
  const deep = (compression: number) =>
    [
      [258, 3, 1, 8],
      [259, 3, 1, compression],
      [277, 3, 1, 3],
      [273, 4, 1, 200],
      [279, 4, 1, 100],
    ] as const;
  return [
    make(8, size(3, 2)),
    make(0, [...size(20_000, 20_000), ...deep(1)]),
    make(0, [...size(20_000, 20_000), ...deep(5)]),
    make(0, [...size(10_000, 10_000), ...deep(8)]),
    make(0, [
      [256, 4, 2 ** 31, 8],
      [257, 4, 1, 8],
    ]),
    make(0, [...size(9, 9), [330, 4, 1, 8]]),
    make(0xfffffff0, size(3, 2)),
    make(0, [...size(11_000, 10_900), ...deep(4)]),
    make(0, [...size(0, 0), ...deep(1)]),
  ];
}

function withExifLoop(jpeg: Uint8Array): Uint8Array {
  const tiff = Buffer.alloc(40);
  tiff.write("II");
  tiff.writeUInt16LE(42, 2);
  tiff.writeUInt32LE(8, 4);
  tiff.writeUInt16LE(1, 8);
  tiff.writeUInt16LE(0x8769, 10);
  tiff.writeUInt16LE(4, 12);
  tiff.writeUInt32LE(1, 14);
  tiff.writeUInt32LE(8, 18);
  tiff.writeUInt32LE(8, 22);
  return withSegment(jpeg, 0xe1, Buffer.concat([Buffer.from("Exif\0\0", "latin1"), tiff]));
}

const withXmp = (jpeg: Uint8Array, xmp: string) =>
  withSegment(jpeg, 0xe1, Buffer.from(`http://ns.adobe.com/xap/1.0/\0${xmp}`, "latin1"));

const withSegment = (jpeg: Uint8Array, marker: number, body: Buffer) =>
  Buffer.concat([
    jpeg.subarray(0, 2),
    Buffer.from([0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 255]),
    body,
    jpeg.subarray(2),
  ]);
