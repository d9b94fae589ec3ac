import { seededRandom } from "../../core/random/index.ts";
import { projects, zips } from "./archives.ts";
import { documents, texts } from "./documents.ts";
import { drawings } from "./drawings.ts";
import { pictures } from "./pictures.ts";
import { bytesOf, type Door, type Hostile } from "./shape.ts";

/** Files that are cut off, damaged, that lie about their size, loop, or try to run something; the same for the same seed. */
export async function hostileFiles(seed: number): Promise<readonly Hostile[]> {
  const random = seededRandom(seed);
  const all: Hostile[] = [];
  const put = (door: Door, name: string, bytes: Uint8Array | string) =>
    all.push({ door, name, bytes: typeof bytes === "string" ? bytesOf(bytes) : bytes });
  const below = (n: number) => Math.floor(random() * n);
  const flipped = (bytes: Uint8Array, count: number, from = 0) => {
    const bad = Uint8Array.from(bytes);
    for (let i = 0; i < count; i += 1) bad[from + below(bad.length - from)]! ^= 1 << below(8);
    return bad;
  };
  const cut = (bytes: Uint8Array) => bytes.slice(0, 20 + below(bytes.length - 20));

  await pictures(put, { flipped, cut, below });
  drawings(put);
  zips(put, { flipped, cut, below });
  projects(put, { below });
  texts(put);
  documents(put, { flipped, cut, below });
  return all;
}
