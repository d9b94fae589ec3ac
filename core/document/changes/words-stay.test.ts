import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { firstWordStyles } from "#core/words";
import {
  arrangedTiles,
  commit,
  type Frame,
  findPlaced,
  freeTiles,
  newFreeTile,
  noHistory,
  type Page,
  type Project,
  placed,
  undo,
  type Words,
  withFree,
} from "../index.ts";
import { collage, firstPlaced } from "../project.fixture.ts";

const words: Words = {
  kind: "words",
  text: "By the lock",
  style: firstWordStyles.caption,
  role: "caption",
  from: null,
  card: null,
};
const frame = (x: number, y: number, width: number, height: number, turn = 0): Frame => ({
  centre: { x, y },
  width,
  height,
  turn,
});
const pageWith = (project: Project, page: Page): Project => ({ ...project, pages: [page] });

/** Where a point of one frame lies on another: shares of its size, from its middle. */
function shareOf(of: Frame, at: { readonly x: number; readonly y: number }) {
  const a = (-of.turn * Math.PI) / 180;
  const [x, y] = [at.x - of.centre.x, at.y - of.centre.y];
  return { x: (x * Math.cos(a) - y * Math.sin(a)) / of.width, y: (x * Math.sin(a) + y * Math.cos(a)) / of.height };
}

const moved = (project: Project, id: string, to: Frame) => {
  const done = commit(
    { project, history: noHistory },
    {
      name: { code: "movedFree", count: 1 },
      changes: [{ type: "setTiles", pageId: project.pages[0]!.id, items: [{ id, set: { frame: to } }] }],
      at: "2026-01-01T00:00:00.000Z",
    },
  );
  if (!done.ok) throw new Error(done.code);
  return done.value;
};
const free = (project: Project, id: string) => freeTiles(project.pages[0]!).find((t) => t.id === id)!;

test("words on a tag keep their place on it when it is moved, turned and made larger; what they do not lie on leaves them", () => {
  const start = collage([1]);
  const mm = fc.double({ min: 60, max: 140, noNaN: true });
  fc.assert(
    fc.property(
      fc.tuple(mm, mm, fc.integer({ min: -180, max: 180 })),
      fc.tuple(mm, mm, fc.integer({ min: -180, max: 180 })),
      fc.double({ min: 1, max: 1.5, noNaN: true }),
      ([x, y, turn], [x2, y2, turn2], larger) => {
        const tag = newFreeTile(frame(x, y, 40, 20, turn), { kind: "colour", colour: "#aa8855" }, () => "tag");
        const label = newFreeTile(frame(x + 2, y + 1, 16, 6, turn), words, () => "label");
        const apart = newFreeTile(frame(x + 60, y, 16, 6), words, () => "apart");
        const locked = {
          ...newFreeTile(frame(x, y, 16, 6, turn), words, () => "locked"),
          lock: { place: true as const },
        };
        const page = [tag, label, apart, locked].reduce((p, t) => withFree(p, t), start.pages[0]!);
        const before = pageWith(start, page);
        const to = frame(x2, y2, 40 * larger, 20 * larger, turn2);
        const after = moved(before, "tag", to);
        const now = free(after.project, "label").frame;
        const [was, is] = [shareOf(tag.frame, label.frame.centre), shareOf(to, now.centre)];
        expect([is.x, is.y]).toEqual([expect.closeTo(was.x, 6), expect.closeTo(was.y, 6)]);
        expect(Math.cos(((now.turn - turn2) * Math.PI) / 180)).toBeCloseTo(1, 9);
        expect([now.width, now.height]).toEqual([16, 6]);
        expect(free(after.project, "apart").frame).toBe(apart.frame);
        expect(free(after.project, "locked").frame).toBe(locked.frame);
        const back = undo(after);
        expect(back.ok && free(back.value.project, "label").frame).toEqual(label.frame);
      },
    ),
    { numRuns: 40 },
  );
});

test("a label goes with its photo into another tile, inside of what is safe; moved by hand, it is let go", () => {
  const project = collage([1.5, 1, 0.8]);
  const on = firstPlaced(project);
  const [first, , last] = arrangedTiles(on.page);
  const under = findPlaced(on, first!.id)!.frame;
  const label = newFreeTile(
    frame(under.centre.x, under.centre.y + under.height * 0.3, under.width * 0.5, 5),
    words,
    () => "label",
  );
  const before = pageWith(project, withFree(on.page, label));
  const done = commit(
    { project: before, history: noHistory },
    {
      name: { code: "arranged", count: 1 },
      changes: [
        {
          type: "setTiles",
          pageId: on.page.id,
          items: [
            { id: first!.id, set: { filling: last!.filling } },
            { id: last!.id, set: { filling: first!.filling } },
          ],
        },
      ],
      at: "2026-01-01T00:00:00.000Z",
    },
  );
  if (!done.ok) throw new Error(done.code);
  const now = done.value.project;
  const there = findPlaced(placed(now, now.pages[0]!), last!.id)!.frame;
  const at = free(now, "label").frame.centre;
  expect(Math.abs(at.x - there.centre.x)).toBeLessThanOrEqual(there.width / 2);
  expect(Math.abs(at.y - there.centre.y)).toBeLessThanOrEqual(there.height / 2);
  const hand = moved(before, "label", frame(100, 100, 20, 5)).project;
  expect(free(hand, "label").frame).toEqual(frame(100, 100, 20, 5));
});
