import { expect, test } from "@jest/globals";
import {
  areEqual,
  arrangedTiles,
  costOfEqual,
  groupAt,
  type PlacedPage,
  photoIdOf,
  placeAgain,
  treeIn,
} from "#core/document";
import { collage, counter, firstPlaced } from "../document/project.fixture.ts";
import { areEvenlyLarge, ledBy, madeEqual, roomSplit, roomsJoined, solvedFrom, takenAway, tileMoved } from "./index.ts";

const shapes = [1.5, 0.7, 1, 1.3, 0.8, 1.6, 1.5, 0.75];
const start = () => firstPlaced(collage(shapes));
const aspectOf = (photoId: string) => shapes[Number(photoId.replace(/\D/g, ""))] ?? 1;
const ids = (on: PlacedPage, ...at: readonly number[]) => at.map((i) => arrangedTiles(on.page)[i]!.id);
const doing = (on: PlacedPage, edit: (on: PlacedPage) => PlacedPage["page"]) => placeAgain(on, edit(on));

test("tiles made equally large stay so when the page is shuffled, when others go, and beside another set", () => {
  let on = start();
  const [some, others] = [ids(on, 0, 1, 4), ids(on, 5, 6)];
  on = doing(on, madeEqual(aspectOf, some, true));
  on = doing(on, madeEqual(aspectOf, others, true));
  const hold = () => {
    for (const set of [some, others]) {
      expect(areEqual(groupAt(on)!.group, set)).toBe(true);
      expect(areEvenlyLarge(groupAt(on)!, set)).toBe(true);
    }
    expect(areEvenlyLarge(groupAt(on)!, [...some, ...others])).toBe(false);
  };
  hold();
  expect(costOfEqual(groupAt(on)!)).toBeGreaterThan(0);
  on = doing(on, solvedFrom(aspectOf, 1));
  hold();
  on = doing(on, takenAway(ids(on, 2)));
  hold();
  // The photos go on lying in the tiles that they lay in.
  expect(some.map((id) => photoIdOf(arrangedTiles(on.page).find((t) => t.id === id)!))).toEqual(
    some.map((id) => photoIdOf(arrangedTiles(start().page).find((t) => t.id === id)!)),
  );
});

test("let go again they differ; a tile in a new set leaves the old one, of which one tile is none; what leads is as large as none", () => {
  let on = start();
  const [a, b, c] = ids(on, 0, 1, 2);
  on = doing(on, ledBy(aspectOf, { tileId: a!, share: 0.4 }));
  on = doing(on, madeEqual(aspectOf, [a!, b!], true));
  expect(treeIn(groupAt(on)!.group)!.lead).toBeNull();
  on = doing(on, madeEqual(aspectOf, [b!, c!], true));
  expect(areEqual(groupAt(on)!.group, [a!, b!])).toBe(false);
  expect(JSON.stringify(treeIn(groupAt(on)!.group)!.tree).match(/"equal"/g)).toHaveLength(2);
  const before = groupAt(on)!.tiles.map((t) => t.frame.centre);
  on = doing(on, madeEqual(aspectOf, [b!, c!], false));
  expect(JSON.stringify(on.page)).not.toContain('"equal"');
  expect(groupAt(on)!.tiles).toHaveLength(before.length);
  expect(costOfEqual(groupAt(on)!)).toBe(0);
});

test("sets of two parts stay two when the parts become one, and a tile that moves to another part leaves its set", () => {
  let on = start();
  on = doing(on, (p) => roomSplit(p, undefined, "side", counter("n")));
  const waiting = on.groups[1]!.group.tiles[0]!.id;
  for (const id of ids(on, 0, 3, 5)) on = doing(on, tileMoved(id, { tileId: waiting, edge: "left" }));
  const [left, right] = on.groups.map((g) => g.group.tiles.slice(0, 2).map((t) => t.id));
  expect([left!.length, right!.length]).toEqual([2, 2]);
  on = doing(on, madeEqual(aspectOf, left!, true));
  on = doing(on, madeEqual(aspectOf, right!, true));
  const moved = doing(on, tileMoved(left![0]!, { tileId: right![0]!, edge: "left" }));
  expect(areEqual(groupAt(moved, right![0])!.group, right!)).toBe(true);
  expect(areEqual(groupAt(moved, right![0])!.group, [left![0]!, right![0]!])).toBe(false);
  on = doing(on, roomsJoined);
  expect(on.groups).toHaveLength(1);
  expect(areEqual(on.groups[0]!.group, left!)).toBe(true);
  expect(areEqual(on.groups[0]!.group, right!)).toBe(true);
  expect(areEqual(on.groups[0]!.group, [...left!, ...right!])).toBe(false);
});
