import { expect, test } from "@jest/globals";
import { combinedRings, type Point, type Rect, type Ring, ringArea } from "#core/geometry";
import { seededRandom } from "#core/random";
import { fingerprint } from "../../random/fingerprint.fixture.ts";
import { type Lying, type ScatterPrint, type ScatterTask, scattered } from "./index.ts";

const corners = (p: ScatterPrint, at: Lying, box: Rect = { x: 0, y: 0, w: p.w, h: p.h }): Ring => {
  const [c, s] = [Math.cos((at.turn * Math.PI) / 180), Math.sin((at.turn * Math.PI) / 180)];
  const on = (x: number, y: number): Point => {
    const [u, v] = [x - p.w / 2, y - p.h / 2];
    return { x: at.x + c * u - s * v, y: at.y + s * u + c * v };
  };
  return [on(box.x, box.y), on(box.x + box.w, box.y), on(box.x + box.w, box.y + box.h), on(box.x, box.y + box.h)];
};
const rect = (x: number, y: number, w: number, h: number): Ring => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
];
const areaOf = (rings: readonly Ring[]): number => Math.abs(rings.reduce((sum, r) => sum + ringArea(r), 0));

function task(n: number, cover: number, seed: number): ScatterTask {
  const random = seededRandom(seed);
  const page = { w: 300, h: 220 };
  const area = (page.w * page.h * cover) / n;
  const prints = Array.from({ length: n }, (_, i): ScatterPrint => {
    const aspect = [1.5, 0.67, 1, 1.33][Math.floor(random() * 4)]!;
    const h = Math.sqrt(area / aspect);
    const w = h * aspect;
    const face = { x: w * (0.2 + 0.4 * random()), y: h * (0.15 + 0.3 * random()), w: 0.2 * w, h: 0.25 * h };
    return { id: `p${i}`, w, h, must: [face] };
  });
  return { page, safeMm: 4, prints, maxTurn: 9, share: 0.7, seed };
}

/** What is seen of a part of a print, exactly: cut by the frame and by everything that lies over it. */
function seen(ring: Ring, frame: Ring, over: readonly Ring[]): number {
  let left = combinedRings([ring], [frame], "intersection");
  for (const other of over) left = left.length === 0 ? left : combinedRings(left, [other], "difference");
  return areaOf(left) / areaOf([ring]);
}

test("every face is seen whole inside the safe edge, and nearly every print as far as was asked", () => {
  let [under, all] = [0, 0];
  for (const [n, cover, seed] of [
    [8, 0.85, 3],
    [16, 1, 4],
  ] as const) {
    const t = task(n, cover, seed);
    const lying = scattered(t);
    expect(lying.map((l) => l.id).toSorted()).toEqual(t.prints.map((p) => p.id).toSorted());
    const byId = new Map(t.prints.map((p) => [p.id, p]));
    const rings = lying.map((l) => corners(byId.get(l.id)!, l));
    const { page, safeMm: s } = t;
    for (const [i, l] of lying.entries()) {
      expect(Math.abs(l.turn)).toBeLessThanOrEqual(t.maxTurn);
      const p = byId.get(l.id)!;
      const reach = Math.hypot(p.w, p.h) + 60;
      const over = rings.slice(i + 1).filter((_, k) => {
        const other = lying[i + 1 + k]!;
        return Math.hypot(other.x - l.x, other.y - l.y) < reach;
      });
      for (const box of p.must)
        expect(seen(corners(p, l, box), rect(s, s, page.w - 2 * s, page.h - 2 * s), over)).toBeGreaterThan(0.995);
      all += 1;
      if (seen(rings[i]!, rect(0, 0, page.w, page.h), over) < t.share) under += 1;
    }
  }
  expect(under / all).toBeLessThanOrEqual(0.05);
});

test("the same task has the same answer, another seed another", () => {
  const t = { ...task(10, 1, 6), moves: 4000 };
  expect(scattered(t)).toEqual(scattered(t));
  expect(scattered({ ...t, seed: 7 })).not.toEqual(scattered(t));
  expect(scattered({ ...t, prints: [] })).toEqual([]);
  expect(fingerprint(scattered(t))).toMatchSnapshot();
});

test("a print that is held stays where it is, and prints that overlap are not turned alike", () => {
  const t = task(12, 1, 8);
  const held: Lying = { id: "p3", x: 150, y: 110, turn: 4 };
  const lying = scattered({ ...t, prints: t.prints.map((p) => (p.id === held.id ? { ...p, held } : p)) });
  expect(lying.find((l) => l.id === held.id)).toEqual(held);
  const rings = lying.map((l) => corners(t.prints.find((p) => p.id === l.id)!, l));
  let [pairs, alike] = [0, 0];
  for (const [i, a] of lying.entries())
    for (const [j, b] of lying.entries()) {
      if (j <= i || areaOf(combinedRings([rings[i]!], [rings[j]!], "intersection")) < 1) continue;
      pairs += 1;
      if (Math.abs(a.turn - b.turn) < t.maxTurn / 5) alike += 1;
    }
  expect(pairs).toBeGreaterThan(5);
  expect(alike / pairs).toBeLessThan(0.1);
});
