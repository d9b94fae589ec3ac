import type { Frame } from "#core/document";
import type { Point } from "#core/geometry";

export type Grip = "move" | "width" | "corner" | "turn";

const leastMm = 3;
const stepDegrees = 15;
const nearlyStraight = 3;

interface Snap {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly reachMm: number;
}

/** A frame moved; its middle snaps to the middle of the page where it comes near. */
export function moved(frame: Frame, by: Point, snap?: Snap): Frame {
  const at = { x: frame.centre.x + by.x, y: frame.centre.y + by.y };
  if (!snap) return { ...frame, centre: at };
  const near = (v: number, to: number) => (Math.abs(v - to) <= snap.reachMm ? to : v);
  return { ...frame, centre: { x: near(at.x, snap.widthMm / 2), y: near(at.y, snap.heightMm / 2) } };
}

/** A frame whose right edge, lower right corner or upper side is pulled; its top left stays where it is on the page. */
export function gripped(frame: Frame, grip: Exclude<Grip, "move">, by: Point, steps: boolean): Frame {
  const angle = (frame.turn * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  if (grip === "turn") {
    // The grip stands above the middle; where it was pulled to says the turn.
    const from = { x: (frame.height / 2) * sin, y: -(frame.height / 2) * cos };
    const raw = (Math.atan2(from.x + by.x, -(from.y + by.y)) * 180) / Math.PI;
    const turn =
      steps || Math.abs(raw - Math.round(raw / 90) * 90) < nearlyStraight
        ? nearest(raw, steps ? stepDegrees : 90)
        : raw;
    return { ...frame, turn: Math.round(turn * 10) / 10 };
  }
  const along = { x: by.x * cos + by.y * sin, y: -by.x * sin + by.y * cos };
  const width = Math.max(leastMm, frame.width + along.x);
  const height = grip === "width" ? frame.height : Math.max(leastMm, frame.height + along.y);
  const [dx, dy] = [(width - frame.width) / 2, (height - frame.height) / 2];
  const centre = { x: frame.centre.x + dx * cos - dy * sin, y: frame.centre.y + dx * sin + dy * cos };
  return { ...frame, width, height, centre };
}

const nearest = (v: number, step: number): number => Math.round(v / step) * step;
