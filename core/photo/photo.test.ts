import { expect, test } from "@jest/globals";
import { applyTo } from "#core/geometry";
import {
  byTimeTaken,
  type Orientation,
  orientationMatrix,
  orientationOf,
  orientedSize,
  type Photo,
  pointOfFaces,
  sniffPicture,
  takenAtFromTag,
  wallClock,
  writtenByMachine,
} from "./index.ts";

test("EXIF times are read, and days that no calendar has are not", () => {
  expect(takenAtFromTag("2026:05:03 17:04:59")).toBe("2026-05-03T17:04:59");
  for (const wrong of ["0000:00:00 00:00:00", "2026:02:30 10:00:00", "    :  :     :  :  ", 7, undefined, "2026:05:03"])
    expect(takenAtFromTag(wrong)).toBeUndefined();
});

test("a moment becomes the wall clock of its place", () => {
  expect(wallClock(Date.UTC(2026, 0, 1, 23, 30), 60)).toBe("2026-01-02T00:30:00");
});

test("the point of faces is their middle, by their areas", () => {
  expect(pointOfFaces([])).toBeUndefined();
  expect(pointOfFaces([{ x: 0.2, y: 0.4, w: 0.2, h: 0.1 }])).toEqual({
    x: expect.closeTo(0.3, 9),
    y: expect.closeTo(0.45, 9),
  });
  // One of four times the other's area draws the point to a fifth of the way from its own middle.
  const found = pointOfFaces([
    { x: 0.1, y: 0.1, w: 0.2, h: 0.2 },
    { x: 0.65, y: 0.45, w: 0.1, h: 0.1 },
  ])!;
  expect([found.x, found.y]).toEqual([expect.closeTo(0.3, 9), expect.closeTo(0.26, 9)]);
});

test("photos go by the time taken, then by the camera's own count", () => {
  const photo = (name: string, takenAt: string) => ({ id: name, name, takenAt }) as Photo;
  const list = [
    photo("a10.jpg", "2026-01-01T10:00:00"),
    photo("a9.jpg", "2026-01-01T10:00:00"),
    photo("z.jpg", "2025-01-01T10:00:00"),
  ];
  expect(list.sort(byTimeTaken).map((p) => p.name)).toEqual(["z.jpg", "a9.jpg", "a10.jpg"]);
});

test("a file is known by its first bytes, whatever its name says", () => {
  const bytes = (text: string) => Uint8Array.from(text, (c) => c.charCodeAt(0));
  expect(sniffPicture(bytes("\xff\xd8\xff\xe0"))).toBe("jpeg");
  expect(sniffPicture(bytes("\x89PNG\r\n\x1a\n"))).toBe("png");
  expect(sniffPicture(bytes("RIFF\0\0\0\0WEBPVP8 "))).toBe("webp");
  expect(sniffPicture(bytes("\0\0\0\x20ftypheic"))).toBe("heic");
  expect(sniffPicture(bytes("\0\0\0\x20ftypavif"))).toBe("avif");
  expect(sniffPicture(bytes("Dear diary"))).toBe("unknown");
  expect(sniffPicture(new Uint8Array())).toBe("unknown");
});

test("every orientation takes the stored picture onto the whole of the seen one", () => {
  for (const o of [1, 2, 3, 4, 5, 6, 7, 8] as Orientation[]) {
    const corners = [0, 1].flatMap((x) => [0, 1].map((y) => applyTo(orientationMatrix(o), { x, y })));
    expect(new Set(corners.map((c) => `${c.x},${c.y}`))).toEqual(new Set(["0,0", "0,1", "1,0", "1,1"]));
  }
  // 6 is a camera held upright: what is stored at the left edge's foot is seen at the top left.
  expect(applyTo(orientationMatrix(6), { x: 0, y: 1 })).toEqual({ x: 0, y: 0 });
  expect(orientedSize(6, 40, 30)).toEqual({ widthPx: 30, heightPx: 40 });
  expect(orientationOf("8")).toBe(1);
  expect(orientationOf(9)).toBe(1);
});

test("what cameras and programs write by themselves is no caption; what a person wrote is", () => {
  for (const text of [
    "SOME MAKER DIGITAL CAMERA",
    "Exif_JPEG_PICTURE",
    "<Some Cam i5, Maker #1>",
    "Processed with a preset",
    "Created by a program 3.2",
    "dav_soft",
    "cof",
    "IMG_2041",
    "DSC01234.JPG",
    "20260301_101500",
    "Maker Z-100",
    "untitled",
  ])
    expect([text, writtenByMachine(text, "Maker Z-100")]).toEqual([text, true]);
  for (const text of [
    "",
    "mum",
    "Ada, 3",
    "At the lock",
    "OMA UND OPA 1962",
    "Made of snow",
    "my camera",
    "1962",
    "A4 2",
  ])
    expect([text, writtenByMachine(text, "Maker Z-100")]).toEqual([text, false]);
});
