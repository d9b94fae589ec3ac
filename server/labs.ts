import { readdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import type { LabCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";

/** Every lab card in `folder`, by name. A card that breaks the rules is named in the log and left out. */
export async function readLabs(folder: string, log: (line: string) => void): Promise<LabCard[]> {
  const cards: LabCard[] = [];
  for (const file of (await readdir(folder)).filter((f) => f.endsWith(".json")).sort()) {
    const read = labCardSchema.safeParse(JSON.parse(await readFile(join(folder, file), "utf8")));
    if (read.success) cards.push(read.data);
    else
      log(
        `lab card ${file} is left out: ${read.error.issues.map((i) => `${i.path.join(".")} ${i.message}`).join("; ")}`,
      );
  }
  return cards.sort((a, b) => a.name.localeCompare(b.name, "en"));
}
