import { readdirSync } from "node:fs";
import { mkdir, readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import sharp from "sharp";

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
