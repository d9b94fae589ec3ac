export type Hour = "dawn" | "morning" | "noon" | "golden" | "dusk" | "night";
export type Weather = "clear" | "cloudy" | "overcast" | "rain" | "mist" | "snow";
export type Season = "winter" | "spring" | "summer" | "autumn";

/** Everything that colours a scene. Colours are `#rrggbb`. */
export interface Light {
  readonly hour: Hour;
  readonly weather: Weather;
  readonly season: Season;
  readonly sky: readonly [top: string, middle: string, horizon: string];
  readonly sun: { readonly colour: string; readonly height: number; readonly glow: number };
  /** What far things fade into. */
  readonly haze: string;
  /** What everything is tinted with, and by how much. */
  readonly cast: { readonly colour: string; readonly by: number };
  readonly foliage: readonly string[];
  readonly grass: string;
  readonly water: readonly [far: string, near: string];
}

export function mix(a: string, b: string, t: number): string {
  const part = (at: number) => {
    const [p, q] = [Number.parseInt(a.slice(at, at + 2), 16), Number.parseInt(b.slice(at, at + 2), 16)];
    return Math.round(p + (q - p) * Math.min(1, Math.max(0, t)))
      .toString(16)
      .padStart(2, "0");
  };
  return `#${part(1)}${part(3)}${part(5)}`;
}

export const darker = (c: string, by: number): string => mix(c, "#0b0f1a", by);
export const lighter = (c: string, by: number): string => mix(c, "#fff6e4", by);

const skies: Record<Hour, readonly [string, string, string]> = {
  dawn: ["#6b84b5", "#d9a9b0", "#fbd9a5"],
  morning: ["#6fa7d6", "#a9cfe6", "#f1ead4"],
  noon: ["#3f8fd0", "#7fb9e2", "#d6e8ec"],
  golden: ["#5f8fc0", "#e9b98a", "#fbe0a0"],
  dusk: ["#2b2f5e", "#9a5f88", "#f08f5c"],
  night: ["#0a1230", "#14224a", "#31416b"],
};
const suns: Record<Hour, Light["sun"]> = {
  dawn: { colour: "#ffd9a0", height: 0.12, glow: 0.9 },
  morning: { colour: "#fff3cf", height: 0.45, glow: 0.55 },
  noon: { colour: "#ffffff", height: 0.85, glow: 0.35 },
  golden: { colour: "#ffdf8e", height: 0.22, glow: 1 },
  dusk: { colour: "#ff9a5a", height: 0.04, glow: 0.9 },
  night: { colour: "#e9eefc", height: 0.7, glow: 0.35 },
};
const foliages: Record<Season, readonly string[]> = {
  winter: ["#6b5d54", "#77685a", "#5c5550", "#4f5a4e"],
  spring: ["#8db54a", "#6fa24a", "#a9c45c", "#4f8a4f"],
  summer: ["#3f7d3f", "#4f8f45", "#2f6b45", "#6b9a48"],
  autumn: ["#c8742c", "#d99a35", "#a8472a", "#8a7a35"],
};
const grasses: Record<Season, string> = {
  winter: "#8f9a80",
  spring: "#8cbc55",
  summer: "#76a548",
  autumn: "#a39a50",
};

export function lightOf(hour: Hour, weather: Weather, season: Season): Light {
  const grey = { clear: 0, cloudy: 0.15, overcast: 0.62, rain: 0.7, mist: 0.6, snow: 0.55 }[weather];
  const veil =
    hour === "night" ? "#1b2540" : weather === "snow" ? "#d5dde6" : weather === "rain" ? "#8794a0" : "#c3cbd0";
  const sky = skies[hour].map((c) => mix(c, veil, grey)) as unknown as Light["sky"];
  const dark = hour === "night" ? 0.74 : hour === "dusk" ? 0.45 : 0;
  const castColour = {
    dawn: "#f2b79a",
    morning: "#fff3d9",
    noon: "#ffffff",
    golden: "#ffb95c",
    dusk: "#4a2f66",
    night: "#0b1436",
  }[hour];
  const castBy = { dawn: 0.22, morning: 0.08, noon: 0, golden: 0.22, dusk: 0.45, night: 0.74 }[hour];
  const cast = { colour: mix(castColour, veil, grey * 0.6), by: castBy + grey * 0.12 };
  const tint = (c: string) => mix(c, cast.colour, cast.by);
  const snowy = weather === "snow";
  return {
    hour,
    weather,
    season,
    sky,
    sun: { ...suns[hour], glow: suns[hour].glow * (1 - grey) },
    haze: mix(sky[2], sky[1], 0.35),
    cast,
    foliage: foliages[season].map((c) => tint(snowy ? mix(c, "#eef2f5", 0.5) : c)),
    grass: tint(snowy ? "#e6ecf0" : grasses[season]),
    water: [mix(sky[2], "#5f7f86", 0.25 + dark * 0.2), mix(sky[0], season === "winter" ? "#33454c" : "#2f5a54", 0.58)],
  };
}

/** A thing's own colour as it looks in this light; `far` from 0 (here) to 1 (the horizon). */
export const lit = (light: Light, colour: string, far = 0): string =>
  mix(mix(colour, light.cast.colour, light.cast.by), light.haze, far * (light.weather === "mist" ? 1.5 : 0.85));
