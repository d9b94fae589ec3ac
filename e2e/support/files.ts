import { execFileSync } from "node:child_process";
import { readdirSync } from "node:fs";
import { mkdir, readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { crc32 } from "node:zlib";
import { zipSync } from "fflate";
import sharp, { type Sharp } from "sharp";

export const sampleFolder = join(import.meta.dirname, "..", "..", "demo", ".cache", "sample");

/** Sample photos of different shots, in the order they were taken. */
export function samplePhotos(count: number, from = 0): string[] {
  const all = readdirSync(sampleFolder).filter((f) => /^(HLD|PX)_\d{4}\.jpg$/.test(f));
  const byNumber = all.sort((a, b) => Number(a.slice(-8, -4)) - Number(b.slice(-8, -4)));
  return byNumber.slice(from, from + count).map((f) => join(sampleFolder, f));
}

/** A folder of files as real libraries have them, most of them no good. */
export async function troubleFiles(folder: string) {
  await mkdir(folder, { recursive: true });
  const put = async (name: string, bytes: Uint8Array | string) => {
    await writeFile(join(folder, name), bytes);
    return join(folder, name);
  };
  const plain = (width: number, height: number, background: string) =>
    sharp({ create: { width, height, channels: 3, background } });
  const whole = await readFile(samplePhotos(1)[0]!);
  const left = sharp({ create: { width: 60, height: 40, channels: 3, background: "#2244cc" } }).composite([
    { input: { create: { width: 30, height: 40, channels: 3, background: "#cc4422" } }, left: 0, top: 0 },
  ]);
  return {
    text: await put("notes.jpg", "Dear diary, this is no picture."),
    cutOff: await put("cut-off.jpg", whole.subarray(0, whole.length / 2)),
    empty: await put("empty.jpg", ""),
    onePixel: await put("one-pixel.png", await plain(1, 1, "#ff8800").png().toBuffer()),
    panorama: await put("panorama.jpg", await plain(20_000, 500, "#447799").jpeg().toBuffer()),
    /** Stored sideways: red left and blue right become red top and blue foot. */
    turnedJpeg: await put(
      "turned.jpg",
      await left.clone().jpeg({ quality: 100 }).withMetadata({ orientation: 6 }).toBuffer(),
    ),
    turnedWebp: await put(
      "turned.webp",
      await left.clone().webp({ quality: 100 }).withMetadata({ orientation: 6 }).toBuffer(),
    ),
  };
}

/** Small photos, each of its own colour and shape. */
export async function manyPhotos(folder: string, count: number): Promise<void> {
  await mkdir(folder, { recursive: true });
  for (let i = 0; i < count; i += 1) {
    const path = join(folder, `many-${String(i).padStart(3, "0")}.jpg`);
    const background = { r: (i * 47) % 256, g: (i * 101) % 256, b: (i * 29) % 256 };
    await sharp({ create: { width: 60 + (i % 5) * 20, height: 60 + (i % 3) * 20, channels: 3, background } })
      .jpeg()
      .toFile(path);
  }
}

/** Files whose times and captions stand in other places than a camera would write them. */
export async function datedFiles(folder: string): Promise<string[]> {
  await mkdir(folder, { recursive: true });
  const plain = (width: number) => sharp({ create: { width, height: 90, channels: 3, background: "#668844" } });
  const xmp = `<?xpacket begin="" id="W5M0MpCehiHzreSzNTczkc9d"?><x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description xmlns:xmp="http://ns.adobe.com/xap/1.0/" xmlns:dc="http://purl.org/dc/elements/1.1/" xmp:CreateDate="2019-08-07T06:05:04+01:00"><dc:description><rdf:Alt><rdf:li xml:lang="x-default">Scanned by Nan</rdf:li></rdf:Alt></dc:description></rdf:Description></rdf:RDF></x:xmpmeta><?xpacket end="w"?>`;
  const put = async (name: string, picture: Sharp) => {
    const path = join(folder, name);
    await picture.jpeg().toFile(path);
    return path;
  };
  return [
    await put("scan.jpg", plain(140).withXmp(xmp)),
    await put("IMG_20240203_101112.jpg", plain(150)),
    await put("PXL_20210102_030405.jpg", plain(160).withExif({ IFD2: { DateTimeOriginal: "0000:00:00 00:00:00" } })),
    await put("plain.jpg", plain(170)),
  ];
}

/** The file with a small picture in its Exif block, as cameras write one, and a comment that makes it another file. */
export async function withThumbnail(path: string, note: string): Promise<Buffer> {
  const whole = await readFile(path);
  const small = await sharp(whole).resize(120, 80, { fit: "fill" }).jpeg({ quality: 60 }).toBuffer();
  const tiff = Buffer.alloc(56);
  tiff.write("II");
  tiff.writeUInt16LE(42, 2);
  tiff.writeUInt32LE(8, 4);
  const entry = (at: number, tag: number, type: number, value: number) => {
    tiff.writeUInt16LE(tag, at);
    tiff.writeUInt16LE(type, at + 2);
    tiff.writeUInt32LE(1, at + 4);
    tiff.writeUInt32LE(value, at + 8);
  };
  tiff.writeUInt16LE(1, 8);
  entry(10, 0x0112, 3, 1);
  tiff.writeUInt32LE(26, 22);
  tiff.writeUInt16LE(2, 26);
  entry(28, 0x0201, 4, 56);
  entry(40, 0x0202, 4, small.length);
  const segment = (marker: number, body: Buffer) => {
    const head = Buffer.from([0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 255]);
    return Buffer.concat([head, body]);
  };
  const exif = segment(0xe1, Buffer.concat([Buffer.from("Exif\0\0", "latin1"), tiff, small]));
  return Buffer.concat([whole.subarray(0, 2), exif, segment(0xfe, Buffer.from(note)), whole.subarray(2)]);
}

/** A PNG that says it has so many pixels and holds next to none of them. */
export function pngThatSays(width: number, height: number): Buffer {
  const ihdr = Buffer.alloc(25);
  ihdr.writeUInt32BE(13, 0);
  ihdr.write("IHDR", 4);
  ihdr.writeUInt32BE(width, 8);
  ihdr.writeUInt32BE(height, 12);
  ihdr.set([8, 2, 0, 0, 0], 16);
  ihdr.writeUInt32BE(crc32(ihdr.subarray(4, 21)), 21);
  return Buffer.concat([
    Buffer.from("\x89PNG\r\n\x1a\n", "latin1"),
    ihdr,
    Buffer.from("\0\0\0\0IEND\xae\x42\x60\x82", "latin1"),
  ]);
}

/** One file of each kind that is read, red on the left and blue on the right, and a zip with some of them inside. */
export async function everyKind(folder: string) {
  await mkdir(folder, { recursive: true });
  const halves = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: "#2244cc" } }).composite([
      { input: { create: { width: width / 2, height, channels: 3, background: "#cc4422" } }, left: 0, top: 0 },
    ]);
  const made: string[] = [];
  const put = async (name: string, bytes: Uint8Array) => {
    await writeFile(join(folder, name), bytes);
    made.push(join(folder, name));
    return bytes;
  };
  await put("kind-jpeg.jpg", await halves(130, 80).jpeg({ progressive: true }).toBuffer());
  await put("kind-cmyk.jpg", await halves(132, 80).toColourspace("cmyk").jpeg().toBuffer());
  await put("kind-grey.jpg", await halves(134, 80).toColourspace("b-w").jpeg().toBuffer());
  await put("kind-png16.png", await halves(136, 80).toColourspace("rgb16").png().toBuffer());
  await put("kind-webp.webp", await halves(138, 80).webp().toBuffer());
  await put("kind-avif.avif", await halves(140, 80).avif().toBuffer());
  await put("kind-gif.gif", await halves(142, 80).gif().toBuffer());
  await put("kind-bmp.bmp", await bmp(halves(144, 80)));
  await put(
    "kind-tiff.tif",
    await halves(146, 80).withMetadata({ orientation: 3 }).tiff({ compression: "lzw" }).toBuffer(),
  );
  await put("kind-wrong-ending.txt.png", await halves(148, 80).jpeg().toBuffer());
  made.push(join(import.meta.dirname, "..", "fixtures", "halves.heic"));
  const zip = join(folder, "sent-on.zip");
  const inside = {
    "holiday/zipped-1.jpg": await halves(150, 80).jpeg().toBuffer(),
    "../../zipped-2.jpg": await halves(152, 80).jpeg().toBuffer(),
    "__MACOSX/._x.jpg": Buffer.from("x"),
    "readme.txt": Buffer.from("no picture"),
  };
  await writeFile(zip, zipSync(inside));
  const bomb = join(folder, "zeros.zip");
  // Says it holds a gigabyte and a half of zeros.
  await writeFile(bomb, claimsToBe(zipSync({ "zeros.jpg": new Uint8Array(4_000_000) }), 4_000_000, 1_500_000_000));
  const cut = join(folder, "cut.zip");
  await writeFile(cut, zipSync(inside).slice(0, 300));
  return { made, zip, bomb, cut };
}

/** The same archive with another unpacked size written into its directory. */
function claimsToBe(zip: Uint8Array, was: number, says: number): Uint8Array {
  const view = new DataView(zip.buffer, zip.byteOffset);
  for (let at = 0; at + 28 < zip.length; at += 1)
    if (view.getUint32(at, true) === 0x02014b50 && view.getUint32(at + 24, true) === was)
      view.setUint32(at + 24, says, true);
  return zip;
}

/** Windows bitmap, 24 bits, rows from the foot up. */
async function bmp(picture: Sharp): Promise<Uint8Array> {
  const { data, info } = await picture.removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const row = (info.width * 3 + 3) & ~3;
  const out = Buffer.alloc(54 + row * info.height);
  out.write("BM");
  out.writeUInt32LE(out.length, 2);
  out.writeUInt32LE(54, 10);
  out.writeUInt32LE(40, 14);
  out.writeInt32LE(info.width, 18);
  out.writeInt32LE(info.height, 22);
  out.writeUInt16LE(1, 26);
  out.writeUInt16LE(24, 28);
  for (let y = 0; y < info.height; y += 1)
    for (let x = 0; x < info.width; x += 1) {
      const from = (y * info.width + x) * info.channels;
      const to = 54 + (info.height - 1 - y) * row + x * 3;
      for (const c of [0, 1, 2]) out[to + c] = data[from + 2 - c]!;
    }
  return out;
}

/** A photo of a red that only screens with a wide range of colours show. */
export async function widePhoto(folder: string): Promise<string> {
  await mkdir(folder, { recursive: true });
  const [path, profile] = [join(folder, "poppies.jpg"), join(folder, "wide.icc")];
  const red = sharp({ create: { width: 1600, height: 1200, channels: 3, background: "#fa1208" } });
  await writeFile(profile, (await sharp(await red.clone().withIccProfile("p3").jpeg().toBuffer()).metadata()).icc!);
  await red.jpeg({ quality: 95 }).toFile(path);
  // The same numbers under another profile are another red.
  execFileSync("exiftool", ["-q", "-overwrite_original", `-icc_profile<=${profile}`, path]);
  return path;
}
