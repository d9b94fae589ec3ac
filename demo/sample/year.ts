import type { Hour, Season, Weather } from "./light.ts";
import * as close from "./scenes/close.ts";
import * as indoors from "./scenes/indoors.ts";
import * as outdoors from "./scenes/outdoors.ts";
import type { Scene } from "./svg.ts";

const scenes = { ...outdoors, ...indoors, ...close } satisfies Record<string, Scene>;
type SceneName = keyof typeof scenes;
export const sceneOf = (name: SceneName): Scene => scenes[name];

/** How a shot was framed: pixels after orientation. */
export const framings = {
  wide: [2400, 1600],
  tall: [1600, 2400],
  phone: [2016, 1512],
  phoneTall: [1512, 2016],
  square: [1800, 1800],
  cinema: [2560, 1440],
  big: [4000, 3000],
  bigTall: [2848, 4288],
  old: [1280, 960],
  tiny: [320, 240],
  panorama: [6800, 1700],
} as const satisfies Record<string, readonly [number, number]>;
export type FramingName = keyof typeof framings;

export interface Shot {
  readonly scene: SceneName;
  readonly hour: Hour;
  readonly weather: Weather;
  readonly framing: FramingName;
  readonly caption?: string;
  /** This many near-equal frames, a second apart. */
  readonly burst?: number;
  /** Without a date of its own, as files that were sent on have none. */
  readonly undated?: true;
  /** Another kind of file than JPEG. HEIC cannot be written by everybody, so that one lies ready in `kept`. */
  readonly as?: "tiff" | "heic";
}

export interface Event {
  readonly name: string;
  readonly date: string;
  /** Minutes after midnight of the first shot. */
  readonly from: number;
  readonly season: Season;
  /** How many minutes the phone's clock was slow that day. */
  readonly phoneSlow?: number;
  readonly shots: readonly Shot[];
}

const shot = (
  scene: SceneName,
  hour: Hour,
  weather: Weather,
  framing: FramingName,
  caption?: string,
  more: Partial<Shot> = {},
): Shot => ({
  scene,
  hour,
  weather,
  framing,
  ...(caption === undefined ? {} : { caption }),
  ...more,
});

/** A year aboard the Marigold, with Ada, Jory, Mirren, Tam and Nan. All of it is made up. */
export const year: readonly Event[] = [
  {
    name: "Moving aboard",
    date: "2025-03-22",
    from: 560,
    season: "spring",
    shots: [
      shot("village", "morning", "cloudy", "wide", "The day we got the keys"),
      shot("everyone", "morning", "cloudy", "wide", "All of us, and Biscuit"),
      shot("moored", "morning", "clear", "cinema", "There she is: the Marigold"),
      shot("ropeCoil", "noon", "clear", "phone"),
      shot("paintedCan", "noon", "clear", "phoneTall"),
      shot("tableByWindow", "noon", "cloudy", "phone"),
      shot("portrait", "noon", "cloudy", "wide", "Ada and Jory, captains"),
      shot("dogOnBoard", "golden", "clear", "phone"),
      shot("stove", "dusk", "cloudy", "phoneTall"),
      shot("moored", "dusk", "clear", "wide", "First night"),
    ],
  },
  {
    name: "First lock",
    date: "2025-04-06",
    from: 600,
    season: "spring",
    shots: [
      shot("openCut", "morning", "mist", "wide"),
      shot("atTheLock", "morning", "cloudy", "tall", "Alder Lock, our very first"),
      shot("atTheLock", "noon", "cloudy", "wide", undefined, { burst: 4 }),
      shot("atTheTiller", "noon", "clear", "wide", "Mirren may steer on the straight"),
      shot("underBridge", "noon", "clear", "wide"),
      shot("leaves", "noon", "clear", "phone"),
      shot("ducksOnWater", "golden", "clear", "wide"),
      shot("towpath", "golden", "clear", "phoneTall"),
    ],
  },
  {
    name: "Blossom week",
    date: "2025-04-27",
    from: 500,
    season: "spring",
    shots: [
      shot("leaves", "morning", "clear", "wide"),
      shot("leaves", "morning", "clear", "square"),
      shot("openCut", "morning", "clear", "big"),
      shot("heronByReeds", "morning", "mist", "tall", "He waits for us at every bend"),
      shot("mugOnRoof", "morning", "clear", "phone"),
      shot("portrait", "noon", "clear", "phoneTall"),
      shot("ducksOnWater", "noon", "clear", "wide"),
      shot("ducksOnWater", "noon", "clear", "phone", undefined, { burst: 3 }),
      shot("underBridge", "golden", "clear", "wide"),
      shot("aqueduct", "golden", "clear", "panorama", "Over the Senn valley, 30 m up"),
    ],
  },
  {
    name: "Nan comes along",
    date: "2025-05-17",
    from: 620,
    season: "spring",
    shots: [
      shot("village", "noon", "clear", "wide"),
      shot("portrait", "noon", "clear", "wide", "Nan and Tam"),
      shot("towpath", "noon", "clear", "wide"),
      shot("paintedCan", "noon", "cloudy", "wide", "Nan painted the can"),
      shot("paintedCan", "noon", "cloudy", "phoneTall"),
      shot("tableByWindow", "golden", "clear", "phone"),
      shot("atTheTiller", "golden", "clear", "tall"),
      shot("sundown", "dusk", "clear", "cinema"),
    ],
  },
  {
    name: "The long flight",
    date: "2025-06-14",
    from: 420,
    season: "summer",
    phoneSlow: 60,
    shots: [
      shot("openCut", "dawn", "mist", "cinema", "Up at five for the eleven locks"),
      shot("atTheLock", "morning", "clear", "tall"),
      shot("atTheLock", "morning", "clear", "wide"),
      shot("atTheLock", "noon", "clear", "phoneTall", "Number seven of eleven"),
      shot("ropeCoil", "noon", "clear", "square"),
      shot("mugOnRoof", "noon", "clear", "phone"),
      shot("portrait", "noon", "clear", "phoneTall"),
      shot("everyone", "golden", "clear", "wide", "At the top!"),
      shot("moored", "golden", "clear", "wide"),
      shot("heronByReeds", "dusk", "clear", "wide"),
    ],
  },
  {
    name: "Summer at Tollen Wharf",
    date: "2025-07-12",
    from: 640,
    season: "summer",
    shots: [
      shot("village", "noon", "clear", "big", "Boat gathering"),
      shot("village", "noon", "clear", "wide"),
      shot("dogOnBoard", "noon", "clear", "phone"),
      shot("everyone", "noon", "clear", "wide", undefined, { burst: 3 }),
      shot("portrait", "noon", "clear", "square"),
      shot("portrait", "golden", "clear", "tall"),
      shot("village", "dusk", "clear", "wide", "Lamps along the wharf"),
      shot("village", "night", "clear", "cinema"),
    ],
  },
  {
    name: "Hot days",
    date: "2025-08-02",
    from: 480,
    season: "summer",
    shots: [
      shot("heronByReeds", "morning", "clear", "tall"),
      shot("heronByReeds", "morning", "clear", "wide"),
      shot("openCut", "noon", "clear", "wide"),
      shot("openCut", "noon", "cloudy", "cinema"),
      shot("ducksOnWater", "noon", "clear", "phone"),
      shot("underBridge", "noon", "clear", "phone"),
      shot("towpath", "noon", "clear", "wide"),
      shot("leaves", "noon", "clear", "phoneTall"),
      shot("paintedCan", "noon", "clear", "square"),
      shot("portrait", "golden", "clear", "wide"),
      shot("atTheTiller", "golden", "clear", "wide", "Tam's turn"),
      shot("moored", "golden", "clear", "bigTall"),
      shot("sundown", "dusk", "clear", "wide"),
      shot("moored", "night", "clear", "wide", "Every star there is"),
    ],
  },
  {
    name: "Sorrel Tunnel",
    date: "2025-08-23",
    from: 600,
    season: "summer",
    shots: [
      shot("tunnel", "morning", "overcast", "wide", "Two kilometres of dark"),
      shot("tunnel", "morning", "overcast", "tall"),
      shot("atTheTiller", "noon", "overcast", "phone"),
      shot("openCut", "noon", "rain", "wide"),
      shot("towpath", "noon", "rain", "wide", "Of course it rained"),
      shot("tableByWindow", "noon", "rain", "phone"),
    ],
  },
  {
    name: "The engine would not start",
    date: "2025-09-13",
    from: 545,
    season: "autumn",
    shots: [
      shot("engineBay", "morning", "overcast", "wide", "Nothing. Not even a cough"),
      shot("engineBay", "morning", "overcast", "tall"),
      shot("engineBay", "noon", "overcast", "phone", "Jory's third theory"),
      shot("engineBay", "noon", "overcast", "square"),
      shot("mugOnRoof", "noon", "overcast", "phone"),
      shot("portrait", "noon", "overcast", "wide"),
      shot("engineBay", "golden", "overcast", "phoneTall", "It was the fuel tap"),
      shot("moored", "golden", "cloudy", "wide"),
    ],
  },
  {
    name: "Leaves turning",
    date: "2025-10-11",
    from: 470,
    season: "autumn",
    shots: [
      shot("openCut", "dawn", "mist", "wide"),
      shot("leaves", "morning", "clear", "wide"),
      shot("leaves", "morning", "clear", "tall"),
      shot("leaves", "noon", "clear", "square"),
      shot("underBridge", "noon", "clear", "big", "Bridge 42"),
      shot("underBridge", "golden", "clear", "tall"),
      shot("heronByReeds", "golden", "mist", "wide"),
      shot("towpath", "golden", "clear", "wide"),
      shot("atTheTiller", "golden", "clear", "wide"),
      shot("dogOnBoard", "golden", "cloudy", "phone"),
      shot("aqueduct", "golden", "cloudy", "panorama"),
      shot("moored", "dusk", "mist", "cinema"),
    ],
  },
  {
    name: "Birthday in the cabin",
    date: "2025-11-08",
    from: 930,
    season: "autumn",
    shots: [
      shot("birthday", "golden", "rain", "wide", "Mirren is nine"),
      shot("birthday", "dusk", "rain", "wide", undefined, { burst: 4 }),
      shot("birthday", "night", "rain", "tall"),
      shot("birthday", "night", "rain", "phone"),
      shot("tableByWindow", "dusk", "rain", "phoneTall"),
      shot("stove", "night", "rain", "wide"),
      shot("portrait", "dusk", "rain", "square"),
      shot("moored", "night", "rain", "wide"),
    ],
  },
  {
    name: "Frost on the roof",
    date: "2025-12-14",
    from: 475,
    season: "winter",
    shots: [
      shot("frostedRoof", "dawn", "mist", "wide", "Minus six"),
      shot("frostedRoof", "morning", "clear", "tall"),
      shot("moored", "morning", "snow", "wide"),
      shot("openCut", "morning", "snow", "cinema"),
      shot("leaves", "morning", "snow", "phone"),
      shot("heronByReeds", "noon", "snow", "wide", "Still there"),
      shot("mugOnRoof", "noon", "snow", "phoneTall"),
      shot("towpath", "noon", "snow", "wide"),
      shot("stove", "dusk", "snow", "phone"),
      shot("moored", "night", "snow", "wide"),
    ],
  },
  {
    name: "Iced in",
    date: "2026-01-10",
    from: 555,
    season: "winter",
    shots: [
      shot("moored", "dawn", "snow", "big", "Not going anywhere"),
      shot("village", "morning", "snow", "wide"),
      shot("ropeCoil", "morning", "snow", "phone"),
      shot("atTheLock", "noon", "snow", "wide"),
      shot("dogOnBoard", "noon", "snow", "phone", undefined, { as: "heic" }),
      shot("tableByWindow", "noon", "snow", "phone"),
      shot("ducksOnWater", "golden", "snow", "wide"),
      shot("portrait", "noon", "snow", "wide", "Tam, and the red hat"),
      shot("everyone", "noon", "snow", "wide"),
      shot("sundown", "dusk", "clear", "wide"),
      shot("underBridge", "golden", "snow", "tall"),
    ],
  },
  {
    name: "A year",
    date: "2026-03-22",
    from: 600,
    season: "spring",
    shots: [
      shot("everyone", "morning", "clear", "wide", "One year later"),
      shot("moored", "morning", "clear", "wide"),
      shot("portrait", "noon", "clear", "wide"),
      shot("portrait", "noon", "clear", "phoneTall"),
      shot("heronByReeds", "golden", "clear", "bigTall", "And so is he"),
      shot("atTheTiller", "golden", "clear", "wide"),
      shot("leaves", "golden", "clear", "phone"),
      shot("mugOnRoof", "golden", "clear", "phoneTall"),
      shot("sundown", "dusk", "clear", "cinema"),
    ],
  },
  {
    name: "Sent on by others",
    date: "2026-03-24",
    from: 720,
    season: "summer",
    shots: [
      shot("village", "noon", "clear", "tiny", undefined, { undated: true }),
      shot("everyone", "golden", "clear", "tiny", undefined, { undated: true }),
      shot("birthday", "night", "rain", "old", undefined, { undated: true }),
      shot("sundown", "dusk", "clear", "old", undefined, { undated: true, as: "tiff" }),
    ],
  },
];
