import { lightOf } from "./light.ts";
import { type Event, framings, type Shot, sceneOf, year } from "./year.ts";

/** One photo to be made. Sizes in pixels after orientation. */
export interface Planned {
  readonly file: string;
  readonly shot: Shot;
  readonly event: Event;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly seed: number;
  /** How far the hand moved since the first frame of a burst. */
  readonly sway: number;
  /** EXIF 1, 3, 6 or 8: how a camera would have stored it. */
  readonly orientation: 1 | 3 | 6 | 8;
  readonly takenAt: string | undefined;
  readonly camera: { readonly make: string; readonly model: string };
}

const cameras = [
  { make: "Halden", model: "H2 compact" },
  { make: "Ostrel", model: "Pocket 11" },
] as const;

const endings = { jpeg: "jpg", tiff: "tif", heic: "heic" } as const;

/** The whole sample in the order of its files; the same at every call. */
export function plan(): Planned[] {
  const planned: Planned[] = [];
  for (const event of year) {
    let minute = event.from;
    for (const [i, shot] of event.shots.entries()) {
      const [widthPx, heightPx] = framings[shot.framing];
      const frames = shot.burst ?? 1;
      for (let k = 0; k < frames; k += 1) {
        const number = planned.length + 1;
        const phone = shot.framing.startsWith("phone") || shot.framing === "square";
        const tall = heightPx > widthPx;
        planned.push({
          file: `${phone ? "PX" : "HLD"}_${String(number).padStart(4, "0")}.${endings[shot.as ?? "jpeg"]}`,
          shot,
          event,
          widthPx,
          heightPx,
          seed: year.indexOf(event) * 1000 + i * 10 + 7,
          sway: k,
          orientation: tall ? (number % 3 === 0 ? 8 : 6) : number % 29 === 0 ? 3 : 1,
          takenAt: shot.undated ? undefined : timeAt(event.date, minute - (phone ? (event.phoneSlow ?? 0) : 0), k),
          camera: cameras[phone ? 1 : 0],
        });
      }
      minute += 9 + ((i * 37) % 41);
    }
  }
  return planned;
}

function timeAt(date: string, minute: number, second: number): string {
  const two = (v: number) => String(v).padStart(2, "0");
  return `${date}T${two(Math.floor(minute / 60) % 24)}:${two(minute % 60)}:${two(second)}`;
}

export const lightFor = (p: Planned) => lightOf(p.shot.hour, p.shot.weather, p.event.season);
export const sceneFor = (p: Planned) => sceneOf(p.shot.scene);
