import type { Frame } from "#core/document";
import type { Point, Rect } from "#core/geometry";

/** Which side or corner of a frame is pulled: -1 left or top, 1 right or bottom, 0 neither. */
export interface Handle {
  readonly x: -1 | 0 | 1;
  readonly y: -1 | 0 | 1;
}

export interface SizeOptions {
  /** The middle stays where it is, and both sides move. */
  readonly aboutCentre?: boolean | undefined;
  /** Width over height stays as it is. */
  readonly keepShape?: boolean | undefined;
}

/** No tile is drawn or pulled smaller, in mm. */
export const leastFrameMm = 3;

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

function rotated({ x, y }: Point, degrees: number): Point {
  const [cos, sin] = [Math.cos(radians(degrees)), Math.sin(radians(degrees))];
  return { x: x * cos - y * sin, y: x * sin + y * cos };
}

export const movedBy = (frame: Frame, by: Point): Frame => ({
  ...frame,
  centre: { x: frame.centre.x + by.x, y: frame.centre.y + by.y },
});

/** The corners of a frame as it lies turned, from the top left on, clockwise. */
export const cornersOf = ({ centre, width, height, turn }: Frame): readonly Point[] =>
  [
    { x: -1, y: -1 },
    { x: 1, y: -1 },
    { x: 1, y: 1 },
    { x: -1, y: 1 },
  ].map((c) => {
    const r = rotated({ x: (c.x * width) / 2, y: (c.y * height) / 2 }, turn);
    return { x: centre.x + r.x, y: centre.y + r.y };
  });

/** The upright rectangle that just holds frames as they lie. */
export function boundsOf(frames: readonly Frame[]): Rect {
  const all = frames.flatMap(cornersOf);
  const [x, y] = [Math.min(...all.map((p) => p.x)), Math.min(...all.map((p) => p.y))];
  return { x, y, w: Math.max(...all.map((p) => p.x)) - x, h: Math.max(...all.map((p) => p.y)) - y };
}

/**
 * A frame with a side or corner pulled by so many mm of the page. The side or corner across from it stays where it is, however the frame
 * is turned.
 */
export function resized(frame: Frame, handle: Handle, by: Point, how: SizeOptions = {}): Frame {
  const along = rotated(by, -frame.turn);
  const times = how.aboutCentre ? 2 : 1;
  let width = Math.max(leastFrameMm, frame.width + times * handle.x * along.x);
  let height = Math.max(leastFrameMm, frame.height + times * handle.y * along.y);
  if (how.keepShape) {
    const [sx, sy] = [width / frame.width, height / frame.height];
    const least = leastFrameMm / Math.min(frame.width, frame.height);
    // Of a corner the side that went further counts.
    const wanted = handle.x === 0 ? sy : handle.y === 0 ? sx : Math.abs(sx - 1) > Math.abs(sy - 1) ? sx : sy;
    const s = Math.max(least, wanted);
    [width, height] = [frame.width * s, frame.height * s];
  }
  if (how.aboutCentre) return { ...frame, width, height };
  const moved = rotated(
    { x: (handle.x * (width - frame.width)) / 2, y: (handle.y * (height - frame.height)) / 2 },
    frame.turn,
  );
  return { ...movedBy(frame, moved), width, height };
}

const nearlyStraight = 3;

/** The turn at which a frame's upper side looks at a point, in degrees; in whole `step`s, or straight where it nearly is. */
export function turnToward(centre: Point, at: Point, step: number | undefined): number {
  const raw = (Math.atan2(at.x - centre.x, centre.y - at.y) * 180) / Math.PI;
  const to = (s: number) => Math.round(raw / s) * s;
  const turn = step === undefined ? (Math.abs(raw - to(90)) < nearlyStraight ? to(90) : raw) : to(step);
  return Math.round(turn * 10) / 10;
}

/** Degrees from -180 to 180. */
export function straightened(turn: number): number {
  const t = ((turn % 360) + 360) % 360;
  return Math.round((t > 180 ? t - 360 : t) * 100) / 100;
}

/** All turned about one point, as if they were drawn on one sheet. */
export const turnedAbout = (frames: readonly Frame[], about: Point, degrees: number): readonly Frame[] =>
  frames.map((f) => {
    const r = rotated({ x: f.centre.x - about.x, y: f.centre.y - about.y }, degrees);
    return { ...f, centre: { x: about.x + r.x, y: about.y + r.y }, turn: straightened(f.turn + degrees) };
  });

/** All made larger or smaller by one factor, about a point that stays where it is. */
export const scaledAbout = (frames: readonly Frame[], about: Point, factor: number): readonly Frame[] => {
  const least = Math.min(...frames.map((f) => Math.min(f.width, f.height)));
  const s = Math.max(factor, leastFrameMm / least);
  return frames.map((f) => ({
    ...f,
    centre: { x: about.x + s * (f.centre.x - about.x), y: about.y + s * (f.centre.y - about.y) },
    width: s * f.width,
    height: s * f.height,
  }));
};
