import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  applyChange,
  arrangedTiles,
  type Change,
  commit,
  compacted,
  type Editing,
  noHistory,
  type Project,
  pageOfStep,
  redo,
  travelled,
  undo,
} from "../index.ts";
import { anyChange, collage, mixedProject, squareFormat } from "../project.fixture.ts";
import { isSound, readHistory } from "../schema/index.ts";

const seven = collage([1.5, 0.7, 1, 2.2, 1.3, 0.8, 1.5]);
const mixed = mixedProject();
const pageId = seven.pages[0]!.id;
const at = (ms: number) => new Date(ms).toISOString();

/** Those changes of a list that fit, one after the other, and where they lead. */
function fitting(start: Project, changes: readonly Change[]): { readonly fits: Change[]; readonly end: Project } {
  const fits: Change[] = [];
  let end = start;
  for (const change of changes) {
    const next = applyChange(end, change);
    if (!next.ok || next.value === end) continue;
    fits.push(change);
    end = next.value;
  }
  return { fits, end };
}

test("changes in as few as can be do what all of them did", () => {
  let fewer = 0;
  fc.assert(
    fc.property(fc.array(anyChange, { maxLength: 10 }), (changes) => {
      const { fits, end } = fitting(mixed, changes);
      const few = compacted(fits);
      fewer += fits.length - few.length;
      expect(fitting(mixed, few).end).toEqual(end);
    }),
    { numRuns: 400 },
  );
  expect(fewer).toBeGreaterThan(20);
});

const anyGesture = fc.record({
  changes: fc.array(anyChange, { minLength: 1, maxLength: 3 }),
  mergeKey: fc.constantFrom(undefined, "a", "a", "a", "b"),
  pause: fc.integer({ min: 1, max: 1800 }),
  byProgram: fc.boolean(),
});

test("gestures that become one step, or do not, are undone and done again state by state", () => {
  let joined = 0;
  fc.assert(
    fc.property(fc.array(anyGesture, { maxLength: 8 }), (gestures) => {
      let now: Editing = { project: mixed, history: noHistory };
      const states = [mixed];
      let ms = 0;
      for (const { changes, mergeKey, pause, byProgram } of gestures) {
        ms += pause;
        const how = mergeKey === undefined ? { byProgram } : { mergeKey, byProgram };
        const next = commit(now, { name: { code: "arranged", count: 1 }, changes, at: at(ms), ...how });
        if (!next.ok || next.value === now) continue;
        if (next.value.history.steps.length === now.history.steps.length) {
          states.pop();
          joined += 1;
        }
        now = next.value;
        states.push(now.project);
      }
      let back = now;
      for (const state of states.slice(0, -1).reverse()) {
        const undone = undo(back);
        if (!undone.ok) throw new Error(undone.code);
        back = undone.value;
        expect(back.project).toEqual(state);
      }
      for (const state of states.slice(1)) {
        const again = redo(back);
        if (!again.ok) throw new Error(again.code);
        back = again.value;
        expect(back.project).toEqual(state);
      }
    }),
    { numRuns: 150 },
  );
  expect(joined).toBeGreaterThan(10);
});

test("what gives values to fields is drawn together past other such changes, and nothing of it is lost", () => {
  const name = (n: string): Change => ({ type: "setProject", name: n });
  const tile = arrangedTiles(seven.pages[0]!)[0]!.id;
  const corner = (cornerMm: number): Change => ({ type: "setTiles", pageId, items: [{ id: tile, set: { cornerMm } }] });
  const few = compacted([name("a"), corner(1), name("b"), corner(2), { type: "setProject", unit: "mm" }]);
  expect(few).toHaveLength(2);
  const { end } = fitting(seven, few);
  expect([end.name, end.unit, arrangedTiles(end.pages[0]!)[0]!.cornerMm]).toEqual(["b", "mm", 2]);
});

test("any point of the history is reached from any other, and is as it was; the page that a step changed is known", () => {
  fc.assert(
    fc.property(fc.array(anyChange, { minLength: 1, maxLength: 12 }), fc.nat(12), fc.nat(12), (changes, a, b) => {
      let now: Editing = { project: mixed, history: noHistory };
      const states = [now.project];
      for (const [i, change] of changes.entries()) {
        const next = commit(now, { name: { code: "renamed", count: 1 }, changes: [change], at: at(10_000 * i) });
        if (!next.ok || next.value === now) continue;
        now = next.value;
        states.push(now.project);
      }
      const last = states.length - 1;
      const there = travelled(travelled(now, Math.min(a, last)), Math.min(b, last));
      expect(there.project).toEqual(states[Math.min(b, last)]);
      expect(there.history.done).toBe(Math.min(b, last));
      expect(there.history.steps).toBe(now.history.steps);
      // No further than there are steps.
      expect(travelled(now, last + 5)).toBe(now);
      for (let i = 1; i <= last; i += 1) {
        const [before, after] = [states[i - 1]!, states[i]!];
        const id = pageOfStep(before, after);
        const of = (p: Project) => [p.cover, ...p.pages].find((page) => page?.id === id);
        const samePages =
          after.pages.length === before.pages.length && after.pages.every((p) => before.pages.includes(p));
        if (id !== undefined) expect(of(before)).not.toBe(of(after));
        else expect(samePages).toBe(true);
      }
    }),
    { numRuns: 150 },
  );
});

test("two thousand letters are one step that holds two texts", () => {
  const paced: Project = { ...seven, pages: [{ ...seven.pages[0]!, paced: true }] };
  const style = paced.words.caption;
  const saying = (text: string) => ({ kind: "words", text, style, role: "caption", from: null, card: null }) as const;
  const tileId = arrangedTiles(paced.pages[0]!)[0]!.id;
  let now: Editing = { project: paced, history: noHistory };
  for (let n = 1; n <= 2000; n += 1) {
    const set = { filling: saying("x".repeat(n)) };
    const changes: Change[] = [{ type: "setTiles", pageId, items: [{ id: tileId, set }] }];
    const next = commit(now, { name: { code: "changedWords", count: 1 }, changes, at: at(n * 100), mergeKey: tileId });
    if (!next.ok) throw new Error(next.code);
    now = next.value;
  }
  expect(now.project.pages[0]!.paced).toBe(false);
  expect(now.history.steps).toHaveLength(1);
  const [step] = now.history.steps;
  expect(JSON.stringify(step).length).toBeLessThan(2000 + 1500);
  const back = undo(now);
  expect(back.ok && back.value.project).toEqual(paced);
});

test("a page that was paced stays so when pacing changes it, and becomes a person's own by any other change", () => {
  const paced: Project = { ...seven, pages: [{ ...seven.pages[0]!, paced: true }] };
  for (const byProgram of [false, true]) {
    const changes: Change[] = [{ type: "setPages", items: [{ id: pageId, set: { background: "#102030" } }] }];
    const made = commit(
      { project: paced, history: noHistory },
      { name: { code: "changedColour", count: 1 }, changes, at: at(1), byProgram },
    );
    expect(made.ok && made.value.project.pages[0]!.paced).toBe(byProgram);
  }
});

const aStep = (changes: readonly Change[], n: number) => ({
  name: { code: "arranged", count: n },
  changes,
  inverses: [],
  at: at(n),
});

test("a kept history is read back to the first step that makes no sense, and forward to the first", () => {
  const garbage = fc.constantFrom<unknown>(
    null,
    7,
    {},
    { name: 1 },
    { ...aStep([], 1), changes: [{ type: "explode" }] },
  );
  fc.assert(
    fc.property(
      fc.array(fc.option(garbage, { nil: undefined, freq: 4 }), { maxLength: 12 }),
      fc.nat({ max: 14 }),
      (bad, done) => {
        const kept = bad.map((b, i) => (b === undefined ? aStep([], i) : b));
        const read = readHistory(kept, done);
        const at = Math.min(done, kept.length);
        expect(read.from + read.done).toBe(at);
        expect(read.steps).toEqual(kept.slice(read.from, read.from + read.steps.length));
        for (let i = read.from; i < read.from + read.steps.length; i += 1) expect(bad[i]).toBeUndefined();
        const ends = [read.from - 1, read.from + read.steps.length].filter((i) => i >= 0 && i < kept.length);
        for (const i of ends) expect(bad[i]).not.toBeUndefined();
        expect(read.cut).toBe(read.steps.length < kept.length);
      },
    ),
  );
});

test("what this program makes passes the door, as JSON hands it back; garbage does not, and throws nothing", () => {
  fc.assert(fc.property(anyChange, (change) => expect(isSound(JSON.parse(JSON.stringify([change])))).toBe(true)));
  fc.assert(
    fc.property(
      fc.oneof(
        fc.anything(),
        fc.record({
          type: fc.constantFrom("replacePage", "setProject", "setTiles", "setGroups", "setPages", "orderPages"),
          page: fc.anything(),
          name: fc.integer(),
          items: fc.integer(),
          pageIds: fc.integer(),
        }),
      ),
      (value) => expect(isSound([value])).toBe(false),
    ),
  );
  const page = { ...seven.pages[0]!, pieces: [{ kind: "tile", id: "t", filling: { kind: "empty" }, frame: "here" }] };
  expect(isSound([{ type: "replacePage", page }])).toBe(false);
  expect(isSound([{ type: "setTiles", pageId, items: [{ id: "t", set: { colour: "red" } }] }])).toBe(false);
  expect(isSound([{ type: "setProject", format: { ...squareFormat, widthMm: -1 } }])).toBe(false);
});
