import { expect, test } from "@jest/globals";
import { groupsOf, isGroup, placeAgain } from "#core/document";
import { aroundGroup, roomSplit } from "#core/edit";
import { collage, counter, firstPlaced } from "../document/project.fixture.ts";
import { layTemplate, photoPlaces, shippedTemplates } from "./index.ts";

test("a template lays out one part of a page, in its own room, and leaves the other and the page's look as they were", () => {
  const newId = counter("n");
  const start = firstPlaced(collage([1.5, 0.7, 1]));
  const on = placeAgain(start, roomSplit(start, undefined, "side", newId));
  const [left, right] = on.groups;
  const photos = [1.5, 0.8, 1, 1.3].map((aspect, i) => ({
    id: `q${i}`,
    aspect,
    focus: null,
    caption: "",
    takenAt: "2026-01-01T10:00:00",
  }));
  const small = shippedTemplates().filter((t) => photoPlaces(t) <= 6);
  for (const template of small.filter(({ pieces }) => pieces.length === 1 && isGroup(pieces[0]!))) {
    const laid = layTemplate(aroundGroup(on, right!.group.id), template, { photos, newId });
    const now = placeAgain(on, laid.page);
    expect(groupsOf(now.page).map((g) => g.id)).toEqual([left!.group.id, right!.group.id]);
    expect([template.id, now.look]).toEqual([template.id, on.look]);
    expect(now.groups[0]!.tiles.map((t) => t.frame)).toEqual(left!.tiles.map((t) => t.frame));
    for (const t of now.groups[1]!.tiles) expect(t.frame.centre.x).toBeGreaterThan(on.format.widthMm / 2);
  }
});
