import { expect, test } from "@playwright/test";
import { killRounds } from "./kills/rounds.ts";

test("three rounds of work that end in a kill: nothing is lost that was said to be kept", async ({ baseURL }) => {
  const lines: string[] = [];
  const report = await killRounds({ baseURL: baseURL!, rounds: 3, seed: 11, log: (l) => lines.push(l) });
  expect([report.lost, report.undone, lines.length]).toEqual([[], 0, 3]);
});
