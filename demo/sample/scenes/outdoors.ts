import { darker, lighter, lit, mix } from "../light.ts";
import { birds, dog, duck, heron, swan } from "../parts/animals.ts";
import { boat, boatHeadOn, marigold, otherBoats } from "../parts/boat.ts";
import { bridge, bunting, cottage, gates, masonry, wharf } from "../parts/built.ts";
import { country, hills, reeds, sky, tree, treeLine, weatherOver } from "../parts/land.ts";
import { bust, crew, standing } from "../parts/people.ts";
import { water } from "../parts/water.ts";
import { at, circle, ellipse, group, line, n, rect, type Scene, type Stage, shape, vertical } from "../svg.ts";

const bankOf = (stage: Stage, y: number, thick: number): string =>
  hills(stage, y - thick, 3, lit(stage.light, darker(stage.light.grass, 0.1)), y + 2, 12);

const someTrees = (stage: Stage, y: number, count: number, scale: number): string => {
  let out = "";
  for (let i = 0; i < count; i += 1) {
    const x = (i + 0.5) * (stage.w / count) + stage.random.between(-70, 70);
    out += at(
      x,
      y + stage.random.between(-4, 4),
      tree(stage, stage.random.pick(["round", "round", "poplar", "willow"] as const)),
      scale * stage.random.between(0.7, 1.2),
      stage.random.random(0.5),
    );
  }
  return out;
};

/** The cut winding off between fields. */
export const openCut: Scene = (s) => {
  const horizon = s.h * s.random.between(0.36, 0.5);
  const bend = s.random.between(260, 740);
  const near = s.random.between(0.3, 0.7);
  let out = sky(s, horizon, s.random.between(0.2, 0.85)) + country(s, horizon, s.h);
  const [far, close] = s.light.water;
  out += shape(
    `M${n(bend - 16)} ${n(horizon + 30)}C${n(bend - 60)} ${n(horizon + 70)} ${n(s.w * near - 160)} ${n(s.h * 0.75)} ${n(s.w * near - 420)} ${n(s.h + 10)}L${n(s.w * near + 330)} ${n(s.h + 10)}C${n(s.w * near + 120)} ${n(s.h * 0.78)} ${n(bend + 90)} ${n(horizon + 80)} ${n(bend + 18)} ${n(horizon + 30)}Z`,
    vertical(s, [
      [0, lighter(far, 0.3)],
      [0.4, far],
      [1, close],
    ]),
  );
  for (let i = 0; i < 40; i += 1) {
    const t = s.random.next();
    out += ellipse(
      bend + (s.w * near - bend) * t + s.random.between(-1, 1) * 150 * t,
      horizon + 40 + t * (s.h - horizon - 40),
      8 + 46 * t,
      0.8 + 2 * t,
      lighter(far, 0.5),
      { opacity: 0.3 },
    );
  }
  out += at(
    s.random.random(0.5) ? 120 : 880,
    s.h * 0.72,
    tree(s, s.random.pick(["round", "poplar", "willow"] as const)),
    s.h / 420,
  );
  if (s.random.random(0.6)) out += at(s.random.between(380, 620), horizon + 70, tree(s, "round"), 0.5);
  if (s.random.random(0.5)) out += birds(s, s.random.between(200, 800), horizon * 0.4, 9);
  return (
    out +
    reeds(s, -10, s.w * near - 280, s.h + 6, 110, 90) +
    reeds(s, s.w * near + 250, s.w + 10, s.h + 6, 120, 70) +
    weatherOver(s)
  );
};

/** Moored for the night, with whatever the weather is doing. */
export const moored: Scene = (s) => {
  const y = s.h * s.random.between(0.58, 0.68);
  const lamps = s.light.hour === "night" || s.light.hour === "dusk";
  const scale = s.random.between(0.9, 1.35);
  const x = s.random.between(60, Math.max(80, 960 - 620 * scale));
  const standingThere =
    bankOf(s, y, 26) +
    someTrees(s, y - 18, 5, s.h / 560) +
    at(
      x,
      y,
      boat(s, marigold, {
        lamps,
        smoke: s.light.season === "winter" || s.light.season === "autumn",
        frost: s.light.weather === "snow",
      }),
      scale,
    );
  let out =
    sky(s, y - 40, s.random.between(0.15, 0.9)) +
    country(s, y - 70, y) +
    standingThere +
    water(s, y, standingThere, s.light.weather === "rain" ? 0.2 : 0.75);
  if (s.random.random(0.5))
    out +=
      at(s.random.between(100, 700), s.h * 0.88, duck(s, "drake"), 0.9) +
      at(s.random.between(100, 700), s.h * 0.92, duck(s, "hen"), 0.95, true);
  return out + reeds(s, -10, s.w + 10, s.h + 20, 70, 60) + weatherOver(s);
};

export const underBridge: Scene = (s) => {
  const y = s.h * 0.66;
  const x = s.random.between(380, 620);
  const stones = bridge(s, x, s.h * 0.24, y, s.random.between(170, 240));
  const coming = s.random.random(0.55)
    ? at(x + s.random.between(-40, 40), y + 26, boatHeadOn(s, s.random.pick([marigold, ...otherBoats])), 0.95)
    : "";
  const behind = sky(s, y - 60, 0.3) + country(s, y - 60, y) + someTrees(s, y - 20, 4, 0.7);
  return (
    behind +
    stones +
    water(s, y, behind + stones, 0.8) +
    coming +
    at(90, y + 10, tree(s, "willow"), s.h / 430) +
    reeds(s, -10, 300, s.h + 10, 130, 60) +
    reeds(s, 700, 1010, s.h + 10, 130, 60) +
    weatherOver(s)
  );
};

export const atTheLock: Scene = (s) => {
  const y = s.h * 0.74;
  const gate = s.h * s.random.between(0.3, 0.38);
  const wall = lit(s.light, "#7d5a4a");
  let out =
    sky(s, s.h * 0.4, 0.3) + country(s, s.h * 0.34, s.h * 0.5) + hills(s, s.h * 0.43, 4, s.light.grass, s.h * 0.9, 5);
  out +=
    at(s.random.random(0.5) ? 150 : 850, s.h * 0.46, cottage(s), s.h / 620) +
    at(s.random.random(0.5) ? 60 : 940, s.h * 0.5, tree(s, "round"), s.h / 520);
  out += masonry(s, -10, s.h * 0.46, 330, s.h * 0.6, wall, 15) + masonry(s, 680, s.h * 0.46, 330, s.h * 0.6, wall, 15);
  out +=
    rect(-10, s.h * 0.44, 335, 16, lit(s.light, "#cdc2ae")) + rect(675, s.h * 0.44, 335, 16, lit(s.light, "#cdc2ae"));
  out += water(s, y, rect(320, y - gate, 360, gate, lit(s.light, "#4d4238")), 0.3);
  out += at(500, y, gates(s, 362, gate));
  out += masonry(s, -10, y, 300, s.h, darker(wall, 0.3), 15) + masonry(s, 710, y, 300, s.h, darker(wall, 0.3), 15);
  if (s.random.random(0.6)) out += at(500, s.h * 0.97, boatHeadOn(s, marigold), s.h / 520);
  const [left, right] = [s.random.pick([crew.jory, crew.ada]), s.random.pick([crew.mirren, crew.tam])];
  return (
    out +
    at(212, s.h * 0.45, standing(s, left, "pushing"), s.h / 620) +
    at(800, s.h * 0.45, standing(s, right, "waving"), s.h / 620) +
    weatherOver(s)
  );
};

export const heronByReeds: Scene = (s) => {
  const y = s.h * s.random.between(0.4, 0.52);
  const back =
    sky(s, y, 0.3) +
    hills(s, y - 10, 16, mix(s.light.grass, s.light.haze, 0.35), s.h) +
    treeLine(s, y - 6, 20, 60, 0.2) +
    water(s, y + 14, treeLine(s, y - 6, 16, 60, 0.2), 0.85);
  const facing = s.random.random(0.5);
  const x = s.random.between(340, 660);
  const bird = heron(s, s.random.random(0.4));
  const foot = s.h * s.random.between(0.8, 0.9);
  let front = group(
    at(x, 2 * foot - foot, bird, (s.h / 520) * 1.2, facing),
    `translate(0 ${n(2 * foot)}) scale(1 -1)`,
    { opacity: 0.28 },
  );
  front += at(x, foot, bird, (s.h / 520) * 1.2, facing);
  for (let i = 0; i < 3; i += 1)
    front += ellipse(x, foot + 4, 50 + i * 42, 6 + i * 4, "none", {
      stroke: lighter(s.light.water[0], 0.5),
      "stroke-width": 2,
      opacity: 0.5,
    });
  front +=
    reeds(s, -20, 280, s.h + 30, s.h * 0.62, 70) +
    reeds(s, 760, 1020, s.h + 30, s.h * 0.55, 60) +
    reeds(s, -20, 1020, s.h + 40, 90, 90);
  return [{ body: back, blur: 0.006 }, { body: front + weatherOver(s) }];
};

export const ducksOnWater: Scene = (s) => {
  const back =
    sky(s, s.h * 0.2, 0.4) +
    treeLine(s, s.h * 0.2, 18, 70, 0.15) +
    water(s, s.h * 0.2, treeLine(s, s.h * 0.18, 14, 80, 0.1), 0.4);
  let front = "";
  const swans = s.random.random(0.45);
  if (swans) {
    front +=
      at(s.random.between(300, 460), s.h * 0.56, swan(s), 1.5) +
      at(s.random.between(640, 740), s.h * 0.45, swan(s), 1.1, true);
    for (let i = 0; i < s.random.whole(2, 5); i += 1)
      front += at(s.random.between(220, 840), s.h * s.random.between(0.66, 0.86), swan(s, true), 0.62);
  } else {
    front +=
      at(s.random.between(240, 440), s.h * 0.52, duck(s, "drake"), 2.6) +
      at(s.random.between(560, 720), s.h * 0.6, duck(s, "hen"), 2.5, s.random.random(0.5));
    if (s.light.season === "spring" || s.light.season === "summer")
      for (let i = 0; i < 6; i += 1)
        front += at(
          280 + i * 84 + s.random.between(-20, 20),
          s.h * s.random.between(0.74, 0.86),
          duck(s, "duckling"),
          1.1,
        );
  }
  return [{ body: back, blur: 0.004 }, { body: front + reeds(s, -20, 220, s.h + 30, 200, 50) + weatherOver(s) }];
};

export const atTheTiller: Scene = (s) => {
  const who = s.random.pick([crew.ada, crew.jory, crew.nan, crew.mirren]);
  const y = s.h * 0.5;
  const back = sky(s, y, 0.25) + country(s, y - 20, s.h) + someTrees(s, y + 30, 4, 0.9) + water(s, y + 40, "", 0.5);
  const deck = lit(s.light, marigold.cabin);
  const x = s.random.between(420, 580);
  let front = shape(
    `M-10 ${n(s.h * 0.82)}L${n(x - 140)} ${n(s.h * 0.7)}L${n(x + 150)} ${n(s.h * 0.7)}L1010 ${n(s.h * 0.86)}L1010 ${n(s.h + 10)}L-10 ${n(s.h + 10)}Z`,
    vertical(s, [
      [0, lighter(deck, 0.15)],
      [1, darker(deck, 0.35)],
    ]),
  );
  front += line(
    `M-10 ${n(s.h * 0.84)}L${n(x - 138)} ${n(s.h * 0.715)}L${n(x + 148)} ${n(s.h * 0.715)}L1010 ${n(s.h * 0.88)}`,
    lit(s.light, marigold.trim),
    5,
  );
  front += at(x, s.h * 0.9, standing(s, who, "steering"), (s.h / 190) * (0.84 / who.size));
  front += line(`M${n(x + 200)} ${n(s.h * 0.52)}L${n(x + 60)} ${n(s.h * 0.58)}`, lit(s.light, "#c9a24a"), 11);
  if (s.random.random(0.5)) front += at(x - 240, s.h * 0.86, dog(s), s.h / 290);
  return [{ body: back, blur: 0.008 }, { body: front + weatherOver(s) }];
};

/** One or two faces, close. */
export const portrait: Scene = (s) => {
  const y = s.h * 0.62;
  const back =
    sky(s, y, 0.7) +
    country(s, y - 40, s.h) +
    treeLine(s, y, 12, 110, 0.1) +
    water(s, y + 30, "", 0.6) +
    at(90, y + 60, boat(s, s.random.pick(otherBoats)), 1.1);
  const all = [crew.ada, crew.jory, crew.mirren, crew.tam, crew.nan];
  const first = s.random.pick(all);
  const second = s.random.pick(all.filter((p) => p !== first));
  const scale = s.h / 470;
  const pair = s.h < 800 && s.random.random(0.6);
  const front = pair
    ? at(
        330,
        s.h * (0.58 + (1 - second.size) * 0.4),
        bust(s, second, 0.6),
        scale * 0.94 * (0.55 + second.size * 0.45),
      ) + at(640, s.h * (0.52 + (1 - first.size) * 0.4), bust(s, first, -0.6), scale * (0.55 + first.size * 0.45))
    : at(500, s.h * 0.5, bust(s, first, s.random.between(-0.5, 0.5)), Math.min(scale * 1.08, 2.6));
  return [{ body: back, blur: 0.014 }, { body: front + weatherOver(s) }];
};

export const everyone: Scene = (s) => {
  const y = s.h * 0.6;
  const behind = bankOf(s, y, 20) + someTrees(s, y - 10, 5, 0.9);
  let out = sky(s, y - 40, 0.2) + country(s, y - 60, y) + behind + at(150, y + 6, boat(s, marigold), 1.2);
  out += hills(s, s.h * 0.72, 6, s.light.grass, s.h + 10);
  const people = [crew.ada, crew.mirren, crew.nan, crew.tam, crew.jory];
  for (const [i, p] of people.entries())
    out += at(
      240 + i * 122 + s.random.between(-12, 12),
      s.h * 0.95,
      standing(s, p, s.random.random(0.3) ? "waving" : "plain"),
      s.h / 330,
    );
  return out + at(880, s.h * 0.95, dog(s), s.h / 420, true) + weatherOver(s);
};

export const towpath: Scene = (s) => {
  const horizon = s.h * 0.42;
  let out = sky(s, horizon, 0.8) + country(s, horizon, s.h);
  out += shape(
    `M560 ${n(horizon + 26)}C600 ${n(s.h * 0.6)} 720 ${n(s.h * 0.8)} 1010 ${n(s.h * 0.94)}L1010 ${n(s.h * 0.56)}L590 ${n(horizon + 26)}Z`,
    vertical(s, [
      [0, s.light.water[0]],
      [1, s.light.water[1]],
    ]),
  );
  out += shape(
    `M520 ${n(horizon + 26)}C470 ${n(s.h * 0.6)} 300 ${n(s.h * 0.8)} 90 ${n(s.h + 10)}L620 ${n(s.h + 10)}C600 ${n(s.h * 0.8)} 560 ${n(s.h * 0.6)} 536 ${n(horizon + 26)}Z`,
    lit(s.light, s.light.weather === "snow" ? "#f3f6f8" : "#c2ab84"),
  );
  out +=
    at(160, s.h * 0.74, tree(s, "round"), s.h / 330) +
    at(330, s.h * 0.56, tree(s, "poplar"), s.h / 560) +
    at(400, s.h * 0.5, tree(s, "round"), s.h / 900);
  const walkers = s.random.random(0.5) ? [crew.nan, crew.tam] : [crew.ada, crew.mirren];
  out +=
    at(400, s.h * 0.88, standing(s, walkers[0]!), s.h / 400) +
    at(478, s.h * 0.89, standing(s, walkers[1]!, "waving"), s.h / 400) +
    at(560, s.h * 0.9, dog(s), s.h / 700);
  if (s.light.weather === "rain")
    out +=
      shape(
        `M${n(330)} ${n(s.h * 0.56)}C340 ${n(s.h * 0.44)} 470 ${n(s.h * 0.44)} 480 ${n(s.h * 0.56)}Z`,
        lit(s.light, "#d9534a"),
      ) + line(`M405 ${n(s.h * 0.55)}L405 ${n(s.h * 0.68)}`, "#333333", 4);
  return out + reeds(s, -10, 180, s.h + 10, 90, 50) + reeds(s, 640, 1010, s.h + 20, 110, 70) + weatherOver(s);
};

export const village: Scene = (s) => {
  const y = s.h * 0.7;
  const houses = wharf(s, y - 20) + masonry(s, -10, y - 22, 1020, 26, lit(s.light, "#8f8474"), 13);
  const lamps = s.light.hour === "night" || s.light.hour === "dusk";
  const boats =
    at(20, y + 26, boat(s, s.random.pick(otherBoats), { lamps }), 0.85, false) +
    at(560, y + 34, boat(s, marigold, { lamps }), 0.9);
  let out = sky(s, y - 100, 0.5) + houses + water(s, y, houses + at(20, y, boat(s, otherBoats[0]!), 0.85), 0.6) + boats;
  if (s.light.season === "summer")
    out += bunting(s, -10, s.h * 0.2, 520, s.h * 0.26, 90) + bunting(s, 480, s.h * 0.26, 1010, s.h * 0.18, 90);
  return out + weatherOver(s);
};

export const sundown: Scene = (s) => {
  const y = s.h * 0.62;
  const far = hills(s, y - 26, 14, mix(s.light.haze, "#3a2f55", 0.45), y + 2) + treeLine(s, y - 4, 12, 26, 0.25);
  const dark = mix("#1a1626", s.light.sky[1], 0.12);
  let out = sky(s, y, 0.7) + far + water(s, y, far, 0.8) + birds(s, 360, y * 0.4, 16);
  out += at(
    150,
    y + 20,
    group(
      boat(s, { hull: dark, cabin: dark, panel: dark, trim: mix(dark, s.light.sun.colour, 0.5) }, { lamps: true }),
      undefined,
    ),
    0.8,
  );
  return out + reeds(s, -10, 420, s.h + 20, 190, 60) + reeds(s, 780, 1010, s.h + 20, 220, 40);
};

/** Long and low: for a panorama. */
export const aqueduct: Scene = (s) => {
  const y = s.h * 0.86;
  let out =
    sky(s, s.h * 0.6, 0.8) +
    hills(s, s.h * 0.5, 26, mix(s.light.grass, s.light.haze, 0.6), s.h, 9) +
    hills(s, s.h * 0.62, 20, mix(s.light.grass, s.light.haze, 0.3), s.h, 8) +
    treeLine(s, s.h * 0.66, 40, 20, 0.3);
  const stone = lit(s.light, "#b09a7e", 0.12);
  out += masonry(s, -10, s.h * 0.34, 1020, 22, stone, 7);
  for (let i = 0; i < 12; i += 1) {
    const x = 20 + i * 86;
    out += masonry(s, x - 9, s.h * 0.34 + 20, 18, y - s.h * 0.34, darker(stone, 0.08), 7);
    out += shape(
      `M${n(x + 9)} ${n(s.h * 0.34 + 22)}L${n(x + 77)} ${n(s.h * 0.34 + 22)}L${n(x + 77)} ${n(s.h * 0.34 + 50)}C${n(x + 70)} ${n(s.h * 0.34 + 26)} ${n(x + 16)} ${n(s.h * 0.34 + 26)} ${n(x + 9)} ${n(s.h * 0.34 + 50)}Z`,
      darker(stone, 0.05),
    );
  }
  out +=
    at(420, s.h * 0.345, boat(s, marigold), 0.32) +
    someTrees(s, y, 14, 0.42) +
    hills(s, y, 6, s.light.grass, s.h + 10, 9);
  return out + birds(s, 700, s.h * 0.2, 10) + weatherOver(s);
};

export const tunnel: Scene = (s) => {
  const y = s.h * 0.7;
  const stone = lit(s.light, "#8f8272");
  let out =
    hills(s, s.h * 0.06, 20, s.light.grass, s.h) +
    someTrees(s, s.h * 0.16, 6, 0.7) +
    masonry(s, 120, s.h * 0.16, 760, y - s.h * 0.16, stone, 20);
  out +=
    shape(
      `M300 ${n(y)}C300 ${n(s.h * 0.2)} 700 ${n(s.h * 0.2)} 700 ${n(y)}Z`,
      vertical(s, [
        [0, "#15171a"],
        [1, "#05070a"],
      ]),
    ) + line(`M300 ${n(y)}C300 ${n(s.h * 0.2)} 700 ${n(s.h * 0.2)} 700 ${n(y)}`, lighter(stone, 0.25), 20);
  out += circle(500, y - 46, 9, "#fff0c0") + ellipse(500, y - 46, 90, 60, "#ffe6a0", { opacity: 0.16 });
  for (let i = 0; i < 40; i += 1)
    out += line(
      `M${n(s.random.between(130, 870))} ${n(s.h * 0.17)}q${n(s.random.between(-12, 12))} 40 ${n(s.random.between(-20, 20))} ${n(s.random.between(50, 130))}`,
      s.random.pick(s.light.foliage),
      4,
      { opacity: 0.8 },
    );
  return (
    out +
    water(s, y, masonry(s, 120, s.h * 0.16, 760, y - s.h * 0.16, stone, 20), 0.6) +
    at(500, s.h * 0.94, boatHeadOn(s, s.random.pick(otherBoats)), 1.15) +
    weatherOver(s)
  );
};
