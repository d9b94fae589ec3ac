import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { z } from "zod";

const indexSchema = z.object({
  title: z.string(),
  photos: z.array(z.object({ file: z.string().regex(/^[A-Za-z0-9_]+\.jpg$/), bytes: z.number() })),
});

export interface Sample {
  readonly index: z.infer<typeof indexSchema>;
  /** Undefined for a name that is not in the index. */
  read(file: string): Promise<Uint8Array<ArrayBuffer> | undefined>;
}

/** The drawn sample in `folder`; undefined while there is none. */
export async function openSample(folder: string): Promise<Sample | undefined> {
  const text = await readFile(join(folder, "index.json"), "utf8").catch(() => undefined);
  if (text === undefined) return undefined;
  const index = indexSchema.parse(JSON.parse(text));
  const known = new Set(index.photos.map((p) => p.file));
  return {
    index,
    read: async (file) => (known.has(file) ? new Uint8Array(await readFile(join(folder, file))) : undefined),
  };
}
