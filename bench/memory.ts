import { readdirSync, readFileSync } from "node:fs";

/** In MB, of every process that runs on a profile. */
function memoryOf(folder: string): number {
  let kb = 0;
  for (const pid of readdirSync("/proc").filter((d) => /^\d+$/.test(d))) {
    try {
      if (!readFileSync(`/proc/${pid}/cmdline`, "utf8").includes(folder)) continue;
      kb += Number(/^Pss:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/smaps_rollup`, "utf8"))?.[1] ?? 0);
    } catch {
      // It ended meanwhile.
    }
  }
  return kb / 1000;
}

/** The work with its time by the clock, and the most memory that the processes of a browser's profile took together meanwhile. */
export async function withMemory<T>(
  folder: string,
  work: () => Promise<T>,
): Promise<{ value: T; mostMb: number; ms: number }> {
  const began = Date.now();
  let mostMb = 0;
  const watch = setInterval(() => {
    mostMb = Math.max(mostMb, memoryOf(folder));
  }, 250);
  try {
    return { value: await work(), mostMb, ms: Date.now() - began };
  } finally {
    clearInterval(watch);
  }
}
