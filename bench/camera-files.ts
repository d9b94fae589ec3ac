import { readdir, writeFile } from "node:fs/promises";
import { join } from "node:path";
import sharp from "sharp";
import { sampleFolder } from "../e2e/support/files.ts";

/** So many pictures of 12 megapixels, each written as often as it takes with another comment, so that no two files are the same. */
export async function makeFiles(count: number, folder: string, pictures = 12): Promise<string[]> {
  const names = (await readdir(sampleFolder))
    .filter((f) => /^HLD_0[01]\d\d\.jpg$/.test(f))
    .sort()
    .reverse()
    .slice(0, pictures);
  const bases = await Promise.all(
    names.map((f) =>
      sharp(join(sampleFolder, f)).rotate().resize(4000, 3000, { fit: "cover" }).jpeg({ quality: 88 }).toBuffer(),
    ),
  );
  const files: string[] = [];
  for (let i = 0; i < count; i += 1) {
    const base = bases[i % bases.length]!;
    const note = Buffer.from(`photo ${i}`);
    const comment = Buffer.concat([Buffer.from([0xff, 0xfe, 0, note.length + 2]), note]);
    const path = join(folder, `bench-${String(i).padStart(4, "0")}.jpg`);
    await writeFile(path, Buffer.concat([base.subarray(0, 2), comment, base.subarray(2)]));
    files.push(path);
  }
  return files;
}
