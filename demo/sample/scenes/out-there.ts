import { country, sky, treeLine } from "../parts/land.ts";
import { water } from "../parts/water.ts";
import type { Stage } from "../svg.ts";

/** What lies behind something close: sky, country and water. */
export const outThere = (s: Stage, y = s.h * 0.5): string =>
  sky(s, y, 0.3) + country(s, y - 20, s.h) + treeLine(s, y + 10, 14, 90, 0.1) + water(s, y + 30, "", 0.6);
