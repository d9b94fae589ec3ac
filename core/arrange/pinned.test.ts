import { expect, test } from "@jest/globals";
import { seededRandom } from "#core/random";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import {
  alternatives,
  exactFit,
  type FitTask,
  fitTogether,
  grid,
  leavesOf,
  looseRects,
  solveAround,
  suited,
  treeFromRects,
  treeRects,
  treeSeams,
  withSeamAt,
} from "./index.ts";

const shapes = [0.56, 0.67, 0.75, 1, 1.33, 1.5, 1.78, 3.1];

function taskOf(count: number, seed: number): FitTask {
  const random = seededRandom(seed);
  const photos = Array.from({ length: count }, (_, i) => ({
    tileId: `t${i}`,
    aspect: shapes[Math.floor(random() * shapes.length)]!,
    weight: random() < 0.2 ? 2.5 : 1,
  }));
  const room = random() < 0.5 ? { w: 288, h: 288 } : { w: 280, h: 190 };
  const order = (["kept", "mostly", "free"] as const)[seed % 3];
  return { photos, room, gap: seed % 2 === 0 ? 3 : 0, seed, order };
}

const counts = [1, 2, 3, 4, 5, 6, 9, 14, 23, 40];
const tasks = counts.flatMap((n, i) => [taskOf(n, 2 * i + 1), taskOf(n, 2 * i + 2)]);
const roomOf = ({ room }: FitTask) => ({ x: 6, y: 6, ...room });

test("the same photos are arranged the same: exactly, in other ways, in a grid, together, around what is locked", () => {
  const trees = tasks.map((t) => exactFit(t));
  expect(fingerprint(trees)).toMatchSnapshot();
  expect(fingerprint(trees.map((t, i) => [...treeRects(t, roomOf(tasks[i]!), tasks[i]!.gap)]))).toMatchSnapshot();
  expect(fingerprint(trees.map((t, i) => [...looseRects(t, roomOf(tasks[i]!), 3)]))).toMatchSnapshot();
  expect(
    fingerprint(tasks.map((t) => grid({ aspects: t.photos.map((p) => p.aspect), room: t.room, gap: 3, asked: {} }))),
  ).toMatchSnapshot();
  const some = tasks.filter((t) => t.photos.length >= 3 && t.photos.length <= 23);
  const others = some.map((t) =>
    alternatives(
      {
        ...t,
        leader: 1,
        together: t.photos.length > 5 ? [["t2", "t4"]] : [],
        cutsFace: (i, a) => i % 3 === 0 && a > 2,
      },
      6,
    ),
  );
  expect(fingerprint(others)).toMatchSnapshot();
  expect(fingerprint(some.map((t) => fitTogether(t, [["t0", "t2"]])))).toMatchSnapshot();
  const around = some.map((t) => {
    const tree = exactFit(t);
    const locked = new Set([leavesOf(tree)[1]!.tileId]);
    const room = roomOf(t);
    const solve = (leaves: readonly { tileId: string; aspect: number }[], box: { w: number; h: number }) =>
      exactFit({ ...t, photos: leaves, room: box });
    return solveAround({ tree, room, gap: t.gap, locked, keepSet: false, solve });
  });
  expect(fingerprint(around)).toMatchSnapshot();
});

test("seams, rectangles read back as trees, and photos for places come out the same", () => {
  const seams = tasks
    .filter((t) => t.photos.length > 1)
    .map((t) => {
      const room = roomOf(t);
      const tree = exactFit(t);
      const all = treeSeams(tree, room, t.gap);
      const moved = withSeamAt(tree, all[0]!, all[0]!.at + 4, room, t.gap);
      return [all, moved];
    });
  expect(fingerprint(seams)).toMatchSnapshot();
  const back = tasks.map((t) => {
    const random = seededRandom(t.seed);
    const rects = [...treeRects(exactFit(t), roomOf(t), t.gap)].map(([tileId, r]) => ({
      tileId,
      ...r,
      w: r.w * (1 - 0.03 * random()),
    }));
    return treeFromRects(rects) ?? "none";
  });
  expect(fingerprint(back)).toMatchSnapshot();
  const places = tasks.map((t) => {
    const photos = t.photos.map((p) => p.aspect);
    return suited({ places: [...photos].sort().slice(0, -1), photos, cutsFace: (i, a) => i % 2 === 0 && a > 1.4 });
  });
  expect(fingerprint(places)).toMatchSnapshot();
});
