import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { z } from "zod";

const mediaTypes = {
  jpg: "image/jpeg",
  png: "image/png",
  tif: "image/tiff",
  heic: "image/heic",
  // As plain bytes: a browser that is led here shows no foreign drawing as a page of ours.
  svg: "application/octet-stream",
} as const;
const files = z.array(
  z.object({ file: z.string().regex(/^[A-Za-z0-9_]+\.(jpg|png|tif|heic|svg)$/), bytes: z.number() }),
);
const indexSchema = z.object({
  title: z.string(),
  photos: files,
  papers: files.default([]),
  ornaments: files.default([]),
});

export interface Sample {
  readonly index: z.infer<typeof indexSchema>;
  /** Undefined for a name that is not in the index. */
  read(file: string): Promise<{ readonly bytes: Uint8Array<ArrayBuffer>; readonly type: string } | undefined>;
}

/** The drawn sample in `folder`; undefined while there is none. */
export async function openSample(folder: string): Promise<Sample | undefined> {
  const text = await readFile(join(folder, "index.json"), "utf8").catch(() => undefined);
  if (text === undefined) return undefined;
  const index = indexSchema.parse(JSON.parse(text));
  const known = new Set([...index.photos, ...index.papers, ...index.ornaments].map((p) => p.file));
  return {
    index,
    async read(file) {
      if (!known.has(file)) return undefined;
      const type = mediaTypes[file.slice(file.lastIndexOf(".") + 1) as keyof typeof mediaTypes];
      return { bytes: new Uint8Array(await readFile(join(folder, file))), type };
    },
  };
}
