import { expect, test } from "@jest/globals";
import { record } from "#core/geometry";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import { newOutline, outlineNames, outlineOf } from "./index.ts";

/** Tiles of somebody's page must not have other edges in the next version. */
test("every outline runs as it ran, upright and lying, with corners and without, and so does its border's edge", () => {
  const rects = [
    { x: 10, y: 20, w: 60, h: 90 },
    { x: 0, y: 0, w: 120, h: 40 },
  ];
  const drawn = outlineNames.map((name) => {
    const kind = outlineOf(newOutline(name));
    const lines = rects.flatMap((whole) =>
      [0, 6].map((cornerMm) => {
        const at = { whole, seen: whole, cornerMm };
        return [record((to) => kind.trace(at, to)), record((to) => kind.inset(at, 1.5, to))];
      }),
    );
    return [name, fingerprint(lines)];
  });
  expect(Object.fromEntries(drawn)).toMatchSnapshot();
});
