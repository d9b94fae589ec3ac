import { createHash } from "node:crypto";
import { existsSync, readdirSync } from "node:fs";
import { mkdir, readFile, rename, rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import sharp from "sharp";
import { drawOrnaments, drawPapers } from "./papers.ts";
import { lightFor, type Planned, plan, sceneFor } from "./plan.ts";
import { grainTile, render } from "./render.ts";

/** Draws the sample photos into `demo/.cache` unless they are there already, drawn by this very program. */

const home = join(import.meta.dirname, "..");
const out = join(home, ".cache", "sample");
const workers = 2;

/** The sample is kept for as long as the program that draws it stays the same. */
async function recipe(): Promise<string> {
  const hash = createHash("sha256");
  const files = readdirSync(import.meta.dirname, { recursive: true, encoding: "utf8" }).filter((f) =>
    /\.(ts|heic)$/.test(f),
  );
  for (const f of files.sort()) hash.update(f).update(await readFile(join(import.meta.dirname, f)));
  return hash.update(sharp.versions.vips ?? "").digest("hex");
}

async function photo(p: Planned, grain: Buffer): Promise<Buffer> {
  if (p.shot.as === "heic") return readFile(join(import.meta.dirname, "kept", p.file));
  const pixels = await render(sceneFor(p), lightFor(p), p.seed, p, grain);
  if (p.shot.as === "tiff")
    return sharp(pixels, { raw: { width: p.widthPx, height: p.heightPx, channels: 3 } })
      .tiff({ compression: "lzw", predictor: "horizontal" })
      .toBuffer();
  const turn = { 1: 0, 3: 180, 6: 270, 8: 90 }[p.orientation];
  const exifTime = p.takenAt?.replaceAll("-", ":").replace("T", " ");
  return sharp(pixels, { raw: { width: p.widthPx, height: p.heightPx, channels: 3 } })
    .rotate(turn)
    .withExif({
      IFD0: {
        Make: p.camera.make,
        Model: p.camera.model,
        Orientation: String(p.orientation),
        ...(p.shot.caption ? { ImageDescription: p.shot.caption } : {}),
        ...(exifTime ? { DateTime: exifTime } : {}),
      },
      ...(exifTime
        ? { IFD2: { DateTimeOriginal: exifTime, SubSecTimeOriginal: "120", OffsetTimeOriginal: "+01:00" } }
        : {}),
    })
    .withMetadata({ orientation: p.orientation })
    .jpeg({ quality: 86, mozjpeg: false })
    .toBuffer();
}

async function drawAll(): Promise<void> {
  const all = plan();
  const part = `${out}.part`;
  await rm(part, { recursive: true, force: true });
  await mkdir(part, { recursive: true });
  const grain = await grainTile();
  const queue = [...all];
  let drawn = 0;
  const sizes = new Map<string, number>();
  const say = (text: string) => process.stdout.write(process.stdout.isTTY ? `\r${text}` : `${text}\n`);
  const work = async () => {
    for (let p = queue.shift(); p; p = queue.shift()) {
      const bytes = await photo(p, grain);
      sizes.set(p.file, bytes.length);
      await writeFile(join(part, p.file), bytes);
      drawn += 1;
      if (process.stdout.isTTY || drawn % 25 === 0) say(`Drawing the sample photos: ${drawn} of ${all.length}`);
    }
  };
  await Promise.all(Array.from({ length: workers }, work));
  // One that a card reader cut off: real libraries have them.
  const whole = await readFile(join(part, all[20]!.file));
  const damaged = "HLD_0000_damaged.jpg";
  await writeFile(join(part, damaged), whole.subarray(0, Math.floor(whole.length * 0.6)));
  sizes.set(damaged, Math.floor(whole.length * 0.6));
  const photos = [...sizes].map(([file, bytes]) => ({ file, bytes })).sort((a, b) => (a.file < b.file ? -1 : 1));
  const [papers, ornaments] = [await drawPapers(part), await drawOrnaments(part)];
  const index = { title: "A year aboard the Marigold", photos, papers, ornaments };
  await writeFile(join(part, "index.json"), JSON.stringify(index, null, 1));
  await writeFile(join(part, "recipe"), await recipe());
  await rm(out, { recursive: true, force: true });
  await rename(part, out);
  const mb = [...sizes.values()].reduce((a, b) => a + b, 0) / 1e6;
  say(`Drew ${all.length} sample photos, ${mb.toFixed(0)} MB, kept in demo/.cache\n`);
}

const kept = join(out, "recipe");
if (existsSync(kept) && (await readFile(kept, "utf8")) === (await recipe())) {
  process.stdout.write("The sample photos are there already.\n");
} else await drawAll();
