import { darker, lighter, lit } from "../light.ts";
import { dog } from "../parts/animals.ts";
import { mug } from "../parts/built.ts";
import { reeds, sky, treeLine, weatherOver } from "../parts/land.ts";
import { water } from "../parts/water.ts";
import { at, circle, ellipse, line, n, rect, type Scene, type Stage, shape, vertical } from "../svg.ts";

import { outThere } from "./out-there.ts";

export const mugOnRoof: Scene = (s) => {
  const roof = lit(s.light, s.light.weather === "snow" ? "#dfe8ee" : "#5c6468");
  let front = shape(
    `M-10 ${n(s.h * 0.7)}L1010 ${n(s.h * 0.62)}L1010 ${n(s.h + 10)}L-10 ${n(s.h + 10)}Z`,
    vertical(s, [
      [0, lighter(roof, 0.22)],
      [1, darker(roof, 0.2)],
    ]),
  );
  for (let i = 0; i < 60; i += 1)
    front += ellipse(
      s.random.between(0, 1000),
      s.random.between(s.h * 0.72, s.h),
      s.random.between(2, 6),
      1.6,
      lighter(roof, 0.6),
      { opacity: 0.4 },
    );
  front += line(`M-10 ${n(s.h * 0.78)}L1010 ${n(s.h * 0.7)}`, lit(s.light, "#c9a24a"), 12);
  front += mug(s, s.random.between(340, 660), s.h * 0.86, s.h / 300, s.random.pick(["#c0453a", "#3f6f8a", "#e0b04a"]));
  return [{ body: outThere(s, s.h * 0.56), blur: 0.018 }, { body: front + weatherOver(s) }];
};

export const paintedCan: Scene = (s) => {
  const [cx, base, k] = [s.random.between(420, 580), s.h * 0.92, s.h / 520];
  const body = lit(s.light, s.random.pick(["#7a2430", "#274a3f", "#233a63"]));
  let can =
    shape(
      "M-120 -260L120 -260L140 0L-140 0Z",
      vertical(s, [
        [0, lighter(body, 0.18)],
        [1, darker(body, 0.25)],
      ]),
    ) +
    ellipse(0, 0, 140, 22, darker(body, 0.3)) +
    ellipse(0, -260, 120, 20, lighter(body, 0.3)) +
    ellipse(0, -258, 104, 14, "#241a16");
  for (const y of [-236, -40])
    can += line(`M${y < -100 ? -121 : -137} ${y}Q0 ${y + 26} ${y < -100 ? 121 : 137} ${y}`, lit(s.light, "#f0c35a"), 8);
  for (const [x, y, r] of [
    [-56, -130, 40],
    [40, -150, 46],
    [0, -86, 34],
    [84, -96, 28],
  ] as const) {
    const c = lit(s.light, s.random.pick(["#e86a5a", "#f6d05a", "#f3efe4", "#e9a0b8"]));
    for (let i = 0; i < 6; i += 1)
      can += ellipse(
        x + Math.cos(i * 1.05) * r * 0.55,
        y + Math.sin(i * 1.05) * r * 0.55,
        r * 0.5,
        r * 0.42,
        i % 2 ? c : darker(c, 0.12),
      );
    can += circle(x, y, r * 0.3, lit(s.light, "#f0c35a"));
  }
  for (let i = 0; i < 12; i += 1)
    can += ellipse(s.random.between(-110, 110), s.random.between(-200, -60), 20, 7, lit(s.light, "#6fa24a"), {
      transform: `rotate(${n(s.random.between(-60, 60))})`,
      opacity: 0.75,
    });
  can += line("M-118 -262C-80 -400 80 -400 118 -262", lit(s.light, "#8a8f92"), 9);
  const table = lit(s.light, "#5c6468");
  return [
    { body: outThere(s, s.h * 0.46), blur: 0.016 },
    { body: rect(-10, s.h * 0.86, 1020, s.h, table) + at(cx, base, can, k) + weatherOver(s) },
  ];
};

export const ropeCoil: Scene = (s) => {
  const deck = lit(s.light, "#7a5a40");
  let out = rect(
    0,
    0,
    1000,
    s.h,
    vertical(s, [
      [0, lighter(deck, 0.12)],
      [1, darker(deck, 0.2)],
    ]),
  );
  for (let y = 0; y < s.h; y += 86) out += line(`M0 ${y}L1000 ${y + 26}`, darker(deck, 0.4), 5);
  const [cx, cy] = [s.random.between(420, 580), s.h * s.random.between(0.46, 0.58)];
  const rope = lit(s.light, s.random.pick(["#dcc9a0", "#4f7fa0", "#c98a5a"]));
  out += ellipse(cx + 14, cy + 24, 300, 240, "#120d0a", { opacity: 0.35 });
  for (let i = 0; i < 9; i += 1) {
    const r = 280 - i * 29;
    out +=
      ellipse(cx, cy, r, r * 0.82, "none", { stroke: darker(rope, 0.35), "stroke-width": 31 }) +
      ellipse(cx, cy, r, r * 0.82, "none", { stroke: i % 2 ? rope : lighter(rope, 0.1), "stroke-width": 25 }) +
      ellipse(cx, cy, r, r * 0.82, "none", {
        stroke: darker(rope, 0.2),
        "stroke-width": 25,
        "stroke-dasharray": "4 12",
        opacity: 0.6,
      });
  }
  out +=
    line(
      `M${n(cx + 280)} ${n(cy)}C${n(cx + 380)} ${n(cy + 160)} 900 ${n(s.h * 0.9)} 1020 ${n(s.h * 0.82)}`,
      darker(rope, 0.3),
      31,
    ) +
    line(`M${n(cx + 280)} ${n(cy)}C${n(cx + 380)} ${n(cy + 160)} 900 ${n(s.h * 0.9)} 1020 ${n(s.h * 0.82)}`, rope, 25);
  return out + (s.light.weather === "snow" ? weatherOver(s) : "");
};

/** Leaves or blossom right before the lens. */
export const leaves: Scene = (s) => {
  const back = sky(s, s.h * 0.5, 0.4) + water(s, s.h * 0.5, treeLine(s, s.h * 0.48, 14, 120, 0), 0.5);
  let front = "";
  const branch = lit(s.light, "#4a3428");
  const spring = s.light.season === "spring";
  for (let b = 0; b < 4; b += 1) {
    const y0 = s.random.between(-20, s.h * 0.4);
    const points: [number, number][] = [[-20, y0]];
    for (let i = 1; i < 7; i += 1) points.push([i * s.random.between(110, 150), y0 + i * s.random.between(10, 46)]);
    for (let i = 1; i < points.length; i += 1)
      front += line(
        `M${n(points[i - 1]![0])} ${n(points[i - 1]![1])}L${n(points[i]![0])} ${n(points[i]![1])}`,
        branch,
        9 - i,
      );
    for (let i = 0; i < 26; i += 1) {
      const p = points[s.random.whole(1, points.length - 1)]!;
      const [x, y] = [p[0] + s.random.between(-90, 90), p[1] + s.random.between(-70, 70)];
      if (spring) {
        const c = lit(s.light, s.random.pick(["#fbe3ea", "#f6c6d6", "#ffffff"]));
        for (let k = 0; k < 5; k += 1)
          front += circle(x + Math.cos(k * 1.257) * 13, y + Math.sin(k * 1.257) * 13, 12, k % 2 ? c : darker(c, 0.05));
        front += circle(x, y, 5, "#e0b04a");
      } else front += leaf(s, x, y);
    }
  }
  return [{ body: back, blur: 0.02 }, { body: front + weatherOver(s) }];
};

function leaf(s: Stage, x: number, y: number): string {
  const c =
    s.light.season === "winter" ? lit(s.light, s.random.pick(["#3f5a4a", "#58705c"])) : s.random.pick(s.light.foliage);
  const k = s.random.between(0.7, 1.5);
  const body =
    shape("M0 -44C26 -26 28 10 0 46C-28 10 -26 -26 0 -44Z", c) +
    shape("M0 -44C26 -26 28 10 0 46Z", darker(c, 0.16)) +
    line("M0 -40V54", lighter(c, 0.25), 2.4);
  const frost = s.light.weather === "snow" ? line("M-16 -24C-26 -4 -20 20 0 42", "#ffffff", 5, { opacity: 0.75 }) : "";
  return `<g transform="translate(${n(x)} ${n(y)}) rotate(${n(s.random.between(0, 360))}) scale(${n(k)})">${body}${frost}</g>`;
}

export const frostedRoof: Scene = (s) => {
  let front = shape(
    `M-10 ${n(s.h * 0.62)}L1010 ${n(s.h * 0.5)}L1010 ${n(s.h + 10)}L-10 ${n(s.h + 10)}Z`,
    vertical(s, [
      [0, "#f6fafc"],
      [1, "#b8cbd8"],
    ]),
  );
  for (let i = 0; i < 420; i += 1) {
    const [x, y, r] = [s.random.between(0, 1000), s.random.between(s.h * 0.58, s.h), s.random.between(1, 4)];
    front += line(`M${n(x - r)} ${n(y)}h${n(2 * r)}M${n(x)} ${n(y - r)}v${n(2 * r)}`, "#ffffff", 1, { opacity: 0.85 });
  }
  const [px, py] = [s.random.between(260, 420), s.h * 0.72];
  front +=
    shape(
      `M${n(px - 90)} ${n(py - 150)}L${n(px + 90)} ${n(py - 150)}L${n(px + 70)} ${n(py)}L${n(px - 70)} ${n(py)}Z`,
      lit(s.light, "#b8572f"),
    ) + ellipse(px, py - 150, 92, 18, "#eaf2f6");
  for (let i = 0; i < 40; i += 1)
    front += line(
      `M${n(px + s.random.between(-70, 70))} ${n(py - 150)}q${n(s.random.between(-30, 30))} -50 ${n(s.random.between(-50, 50))} ${n(s.random.between(-130, -60))}`,
      s.random.random(0.5) ? "#f4f8fa" : lit(s.light, "#5f7a5c"),
      5,
    );
  front +=
    rect(690, s.h * 0.16, 70, s.h * 0.46, lit(s.light, "#26292c")) +
    rect(676, s.h * 0.14, 98, 24, lit(s.light, "#c9a24a"));
  for (let i = 0; i < 12; i += 1)
    front += circle(725 + i * 16, s.h * 0.1 - i * 14, 24 + i * 7, "#f3f5f6", { opacity: 0.26 - i * 0.02 });
  return [{ body: outThere(s, s.h * 0.5), blur: 0.014 }, { body: front }];
};

export const dogOnBoard: Scene = (s) => {
  const roof = lit(s.light, "#4f6a5c");
  return [
    { body: outThere(s, s.h * 0.5), blur: 0.014 },
    {
      body:
        shape(
          `M-10 ${n(s.h * 0.8)}L1010 ${n(s.h * 0.76)}L1010 ${n(s.h + 10)}L-10 ${n(s.h + 10)}Z`,
          vertical(s, [
            [0, lighter(roof, 0.2)],
            [1, darker(roof, 0.25)],
          ]),
        ) +
        line(`M-10 ${n(s.h * 0.82)}L1010 ${n(s.h * 0.78)}`, lit(s.light, "#f0c35a"), 7) +
        at(s.random.between(400, 600), s.h * 0.84, dog(s), s.h / 150, s.random.random(0.5)) +
        reeds(s, -10, 160, s.h + 10, 160, 16) +
        weatherOver(s),
    },
  ];
};
