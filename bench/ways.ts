import { alternatives } from "#core/arrange";
import { seededRandom } from "#core/random";

/** How long eight candidates and more take for pages of some sizes, in ms of processor time; beside the worst crop of the best. */

for (const n of [1, 4, 12, 30, 60]) {
  const times: number[] = [];
  let [ways, crop] = [0, 0];
  for (let k = 0; k < 12; k += 1) {
    const random = seededRandom(100 * n + k);
    const photos = Array.from({ length: n }, (_, i) => ({ tileId: `t${i}`, aspect: random() < 0.7 ? 3 / 2 : 2 / 3 }));
    const from = process.cpuUsage();
    const found = alternatives({ photos, room: { w: 290, h: 290 }, gap: 3, seed: k }, 8);
    const { user, system } = process.cpuUsage(from);
    times.push((user + system) / 1000);
    ways = Math.max(ways, found.length);
    crop = Math.max(crop, found[0]!.crop);
  }
  times.sort((a, b) => a - b);
  const words = [
    `${n} photos`.padStart(10),
    `median ${times[6]!.toFixed(0)} ms`,
    `worst ${times.at(-1)!.toFixed(0)} ms`,
  ];
  process.stdout.write(`${words.join("   ")}   ${ways} ways, the best crops ${(100 * crop).toFixed(1)} % at most\n`);
}
