import { readFileSync } from "node:fs";
import { newBook } from "../core/document/index.ts";
import { formatFromCard } from "../core/lab/index.ts";
import { labCardSchema } from "../core/lab/schema/index.ts";
import { type PacePhoto, pacedPages, pacePlan, paceRow } from "../core/pace/index.ts";

/**
 * 2,000 photos in 70 events onto 100 pages: sharing out by dynamic programming, and arranging every page, in processor time of
 * this process; beside it what arranging the same pages once more takes, which is nearly all of it.
 */

const lab = labCardSchema.parse(JSON.parse(readFileSync("demo/labs/marrow-and-lisle.json", "utf8")));
let ids = 0;
const newId = () => {
  ids += 1;
  return `i${ids}`;
};
const project = newBook(
  { name: "Bench", unit: "mm", lab, format: formatFromCard(lab, lab.sizes[2]!, false) },
  { newId, at: "2026-01-01T00:00:00.000Z" },
);
const photos = Array.from(
  { length: 2000 },
  (_, i): PacePhoto => ({
    id: `p${i}`,
    aspect: [1.5, 1.5, 0.67, 1.33, 0.75, 1][(i * 7) % 6]!,
    atMs: i * 240_000 + Math.floor(i / 29) * 3 * 86_400_000,
    event: Math.floor(i / 29),
    stars: i % 17 === 0 ? 4 : 0,
    faces: i % 5 === 0 ? 0.04 : 0,
  }),
);
const row = paceRow(project, 100);
const task = {
  slots: row.slots,
  aspectOf: (id: string) => photos[Number(id.slice(1))]!.aspect,
  format: project.format,
  hiddenMm: 9,
  style: project.style,
  seed: 1,
  newId,
};

const timed = <T>(work: () => T): readonly [T, number] => {
  const from = process.cpuUsage();
  const result = work();
  const { user, system } = process.cpuUsage(from);
  return [result, (user + system) / 1000];
};

for (let run = 0; run < 3; run += 1) {
  const [plan, planMs] = timed(() => pacePlan({ photos, slots: row.slots }));
  const [pages, layMs] = timed(() => [...pacedPages({ ...task, plan })]);
  const counts = plan.map((p) => p.photoIds.length);
  process.stdout.write(
    `plan ${planMs.toFixed(0)} ms, ${pages.length} pages arranged ${layMs.toFixed(0)} ms, together ${((planMs + layMs) / 1000).toFixed(2)} s; ` +
      `photos a page ${Math.min(...counts)} to ${Math.max(...counts)}\n`,
  );
}
