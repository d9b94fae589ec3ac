import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { suited } from "./suit.ts";

const aspects = (max: number) => fc.array(fc.double({ min: 0.3, max: 3, noNaN: true }), { maxLength: max });

test("as many places as there are photos for get one, and none gets another's", () => {
  fc.assert(
    fc.property(aspects(9), aspects(9), (places, photos) => {
      const chosen = suited({ places, photos });
      const given = chosen.filter((p) => p >= 0);
      expect(chosen).toHaveLength(places.length);
      expect(given).toHaveLength(Math.min(places.length, photos.length));
      expect(new Set(given).size).toBe(given.length);
    }),
  );
});

test("photos go where their shape is, and keep their order where all shapes suit alike", () => {
  expect(suited({ places: [1.5, 0.7, 1.5], photos: [0.7, 1.5] })).toEqual([-1, 0, 1]);
  expect(suited({ places: [1.5, 0.7], photos: [0.7, 1.5] })).toEqual([1, 0]);
  expect(suited({ places: [1, 1, 1], photos: [1.4, 1.4, 1.4] })).toEqual([0, 1, 2]);
  expect(suited({ places: [1, 1], photos: [1, 1, 1, 1] })).toEqual([0, 1]);
});

test("a place that would cut a face is left to another photo", () => {
  const cutsFace = (photo: number, place: number) => photo === 0 && place < 1;
  expect(suited({ places: [0.9, 1.1], photos: [1, 1], cutsFace })).toEqual([1, 0]);
});
