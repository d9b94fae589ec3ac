import { darker, lighter, mix } from "../light.ts";
import { dog } from "../parts/animals.ts";
import { bunting, mug } from "../parts/built.ts";
import { weatherOver } from "../parts/land.ts";
import { bust, crew } from "../parts/people.ts";
import { at, circle, ellipse, line, n, radial, rect, type Scene, type Stage, shape, vertical } from "../svg.ts";

import { outThere } from "./out-there.ts";

/** The cabin's wall of boards, with a window and what is outside it. */
function cabin(
  s: Stage,
  window: { readonly x: number; readonly y: number; readonly w: number; readonly h: number },
): string {
  const wood = mix("#b98a58", "#5a3420", s.light.hour === "night" ? 0.4 : 0.1);
  let out = rect(
    0,
    0,
    s.w,
    s.h,
    vertical(s, [
      [0, lighter(wood, 0.12)],
      [1, darker(wood, 0.3)],
    ]),
  );
  for (let x = 0; x < s.w; x += 62) {
    out +=
      rect(x, 0, 60, s.h, s.random.random(0.5) ? lighter(wood, 0.08) : darker(wood, 0.08), { opacity: 0.5 }) +
      line(`M${x} 0V${n(s.h)}`, darker(wood, 0.35), 1.6);
    if (s.random.random(0.6))
      out += ellipse(x + 30, s.random.between(0, s.h), 6, 13, darker(wood, 0.2), { opacity: 0.5 });
  }
  const { x, y, w, h } = window;
  out +=
    rect(x - 22, y - 22, w + 44, h + 44, darker(wood, 0.3), { rx: 12 }) +
    rect(x - 14, y - 14, w + 28, h + 28, "#c9a24a", { rx: 10 });
  const clip = s.define(
    (id) => `<clipPath id="${id}"><rect x="${n(x)}" y="${n(y)}" width="${n(w)}" height="${n(h)}" rx="6"/></clipPath>`,
  );
  out += `<g clip-path="${clip}"><g transform="translate(${n(x)} ${n(y)}) scale(${Math.max(w / s.w, h / s.h).toFixed(4)})">${outThere(s)}${weatherOver(s)}</g></g>`;
  for (const side of [0, 1])
    out += shape(
      side
        ? `M${n(x + w + 26)} ${n(y - 30)}q-60 ${n(h * 0.5)} 6 ${n(h + 60)}L${n(x + w + 70)} ${n(y + h + 30)}L${n(x + w + 70)} ${n(y - 30)}Z`
        : `M${n(x - 26)} ${n(y - 30)}q60 ${n(h * 0.5)} -6 ${n(h + 60)}L${n(x - 70)} ${n(y + h + 30)}L${n(x - 70)} ${n(y - 30)}Z`,
      s.random.pick(["#d8d2c0", "#c9745a", "#8fa6a0"]),
    );
  return out;
}

/** The same stage by lamp light: what stands inside is not as dark as the night outside. */
const byLamp = (s: Stage): Stage => ({ ...s, light: { ...s.light, cast: { colour: "#ffb86a", by: 0.16 } } });

const lampLight = (s: Stage, x: number, y: number, r: number): string =>
  ellipse(
    x,
    y,
    r,
    r,
    radial(s, [
      [0, "#ffdf9a", 0.65],
      [0.4, "#ffc46a", 0.28],
      [1, "#ffb04a", 0],
    ]),
  );

export const birthday: Scene = (s) => {
  let out =
    cabin(s, { x: 610, y: s.h * 0.12, w: 240, h: s.h * 0.28 }) + bunting(s, -10, s.h * 0.08, 620, s.h * 0.1, 110);
  const guests = [crew.nan, crew.ada, crew.tam, crew.mirren, crew.jory]
    .sort(() => s.random.next() - 0.5)
    .slice(0, s.h > 900 ? 2 : 3);
  for (const [i, g] of guests.entries())
    out += at(
      s.w * ((i + 0.7) / (guests.length + 0.4)),
      s.h * 0.5,
      bust(byLamp(s), g, i - 1),
      (s.h / 620) * (0.55 + g.size * 0.45),
    );
  out += shape(
    `M-10 ${n(s.h * 0.8)}L1010 ${n(s.h * 0.8)}L1010 ${n(s.h + 10)}L-10 ${n(s.h + 10)}Z`,
    vertical(s, [
      [0, "#e9dcc3"],
      [1, "#b59f7a"],
    ]),
  );
  for (let x = 0; x < 1000; x += 50) out += rect(x, s.h * 0.8, 25, s.h * 0.2, "#c0453a", { opacity: 0.22 });
  const cx = s.random.between(420, 580);
  const cy = s.h * 0.86;
  out +=
    ellipse(cx, cy + 10, 170, 22, "#f7f3ea") +
    rect(
      cx - 126,
      cy - 90,
      252,
      96,
      vertical(s, [
        [0, "#f3d9c4"],
        [0.3, "#8a5236"],
        [1, "#5e3422"],
      ]),
      { rx: 14 },
    ) +
    ellipse(cx, cy - 90, 126, 24, "#fbf2e6");
  for (let i = 0; i < 12; i += 1) out += circle(cx - 116 + i * 21, cy - 80 + (i % 2) * 8, 10, "#fbf2e6");
  for (let i = 0; i < 7; i += 1) {
    const x = cx - 84 + i * 28;
    out +=
      rect(x - 3, cy - 134, 7, 44, ["#4f8aa8", "#d9534a", "#f0c35a"][i % 3]!) +
      ellipse(x, cy - 144, 5, 10, "#ffe9a0") +
      ellipse(x, cy - 142, 2.6, 6, "#ff9a3a");
  }
  return out + lampLight(s, cx, cy - 140, 420) + mug(byLamp(s), cx + 270, cy + 40, 1.1, "#3f6f8a");
};

export const tableByWindow: Scene = (s) => {
  const table = s.h * 0.72;
  let out = cabin(s, { x: s.random.between(250, 420), y: s.h * 0.12, w: 380, h: s.h * 0.34 });
  out +=
    rect(
      -10,
      table,
      1020,
      s.h,
      vertical(s, [
        [0, "#a8794a"],
        [1, "#5a3a22"],
      ]),
    ) + rect(-10, table, 1020, 10, "#c99a62");
  const what = s.random.whole(0, 2);
  out += mug(
    s,
    s.random.between(180, 300),
    table + s.h * 0.1,
    s.h / 480,
    s.random.pick(["#3f6f8a", "#c0453a", "#e0b04a", "#5f7a4f"]),
  );
  if (what === 0) out += mapSheet(s, 600, table + s.h * 0.08, s.h / 620);
  else if (what === 1) {
    out += shape(
      `M440 ${n(table + s.h * 0.06)}L700 ${n(table + s.h * 0.02)}L760 ${n(table + s.h * 0.16)}L480 ${n(table + s.h * 0.2)}Z`,
      "#f6efdf",
    );
    for (let i = 0; i < 6; i += 1)
      out += line(
        `M${470 + i * 6} ${n(table + s.h * (0.075 + i * 0.018))}L${690 + i * 8} ${n(table + s.h * (0.04 + i * 0.018))}`,
        "#6a6258",
        2,
        { opacity: 0.6 },
      );
    out += line(`M700 ${n(table + s.h * 0.05)}L820 ${n(table + s.h * 0.13)}`, "#2f4a7a", 8);
  } else
    for (let i = 0; i < 5; i += 1)
      out +=
        circle(560 + i * 54, table + s.h * 0.1 - (i % 2) * 30, 32, ["#c0453a", "#d98a3a", "#8fa63a"][i % 3]!) +
        circle(552 + i * 54, table + s.h * 0.09 - (i % 2) * 30, 9, "#ffffff", { opacity: 0.3 });
  return out + (s.light.hour === "night" ? lampLight(s, 780, s.h * 0.2, 460) : "");
};

function mapSheet(s: Stage, x: number, y: number, k: number): string {
  let out =
    shape("M-190 -50L-60 -66L60 -50L190 -66L210 96L70 112L-50 96L-200 110Z", "#efe6cc") +
    shape("M-60 -66L60 -50L70 112L-50 96Z", "#e2d6b6");
  out +=
    line("M-180 60C-120 10 -60 70 0 20S120 60 190 -20", "#3f7fa0", 9) +
    line("M-150 -30C-60 -10 20 -40 170 70", "#b5763a", 4);
  for (let i = 0; i < 9; i += 1)
    out += circle(s.random.between(-160, 170), s.random.between(-30, 80), 10, "#7fa860", { opacity: 0.7 });
  return at(x, y, out + circle(40, 10, 9, "#c0453a"), k * 1.3);
}

export const engineBay: Scene = (s) => {
  const iron = "#3d5a52";
  let out = rect(
    0,
    0,
    1000,
    s.h,
    vertical(s, [
      [0, "#2a2622"],
      [1, "#0f0e0d"],
    ]),
  );
  out += lampLight(s, 320, s.h * 0.25, 520);
  out += rect(
    180,
    s.h * 0.42,
    620,
    s.h * 0.4,
    vertical(s, [
      [0, lighter(iron, 0.2)],
      [1, darker(iron, 0.5)],
    ]),
    { rx: 16 },
  );
  for (let i = 0; i < 3; i += 1) {
    const x = 250 + i * 160;
    out += rect(
      x,
      s.h * 0.27,
      120,
      s.h * 0.2,
      vertical(s, [
        [0, lighter(iron, 0.28)],
        [1, darker(iron, 0.25)],
      ]),
      { rx: 12 },
    );
    for (let k = 0; k < 4; k += 1) out += rect(x - 6, s.h * 0.29 + k * s.h * 0.038, 132, 7, darker(iron, 0.3));
    out += circle(x + 60, s.h * 0.24, 16, "#c9a24a") + circle(x + 60, s.h * 0.24, 8, "#6a5220");
  }
  out +=
    line(`M300 ${n(s.h * 0.24)}C340 ${n(s.h * 0.1)} 700 ${n(s.h * 0.1)} 840 ${n(s.h * 0.3)}`, "#b5763a", 16) +
    line(`M820 ${n(s.h * 0.3)}L820 ${n(s.h * 0.9)}`, "#8a5a30", 20);
  const wheel = [210, s.h * 0.66] as const;
  out += circle(...wheel, 130, "#5a2a22") + circle(...wheel, 104, "#241c1a") + circle(...wheel, 34, "#7a3a2c");
  for (let i = 0; i < 6; i += 1)
    out += line(
      `M${n(wheel[0])} ${n(wheel[1])}L${n(wheel[0] + Math.cos(i * 1.05) * 110)} ${n(wheel[1] + Math.sin(i * 1.05) * 110)}`,
      "#7a3a2c",
      14,
    );
  for (const [i, x] of [560, 680].entries())
    out +=
      circle(x, s.h * 0.58, 40, "#c9a24a") +
      circle(x, s.h * 0.58, 33, "#f3ecd8") +
      line(`M${x} ${n(s.h * 0.58)}l${i ? 18 : -20} -14`, "#c0392b", 4);
  if (s.random.random(0.75))
    out += at(
      s.random.between(760, 860),
      s.h * 0.52,
      bust(byLamp(s), s.random.pick([crew.jory, crew.ada]), -1),
      s.h / 560,
    );
  for (let i = 0; i < 4; i += 1)
    out +=
      line(
        `M${n(s.random.between(260, 700))} ${n(s.h * 0.94)}l${n(s.random.between(80, 150))} ${n(s.random.between(-18, 18))}`,
        "#b9bec2",
        13,
      ) + circle(s.random.between(300, 700), s.h * 0.92, 9, "#d8dcdf");
  return out;
};

export const stove: Scene = (s) => {
  let out = cabin(s, { x: 680, y: s.h * 0.12, w: 200, h: s.h * 0.24 });
  out +=
    rect(250, 0, 44, s.h * 0.42, "#1d1e20") +
    rect(
      150,
      s.h * 0.4,
      250,
      s.h * 0.46,
      vertical(s, [
        [0, "#3a3c40"],
        [1, "#17181a"],
      ]),
      { rx: 14 },
    ) +
    rect(130, s.h * 0.39, 290, 22, "#2a2b2e", { rx: 6 });
  out +=
    rect(190, s.h * 0.52, 170, s.h * 0.2, "#ff9a3a", { rx: 10 }) + ellipse(275, s.h * 0.7, 76, s.h * 0.1, "#ffd36a");
  for (let i = 0; i < 7; i += 1)
    out += shape(
      `M${200 + i * 22} ${n(s.h * 0.71)}q${n(s.random.between(-16, 6))} ${n(-s.h * 0.08)} 12 ${n(-s.h * s.random.between(0.1, 0.17))}q14 ${n(s.h * 0.08)} 8 ${n(s.h * 0.15)}Z`,
      ["#ff7a2a", "#ffb04a", "#ffe08a"][i % 3]!,
    );
  out += line(`M190 ${n(s.h * 0.62)}h170M275 ${n(s.h * 0.52)}v${n(s.h * 0.2)}`, "#17181a", 6);
  out +=
    shape(
      `M200 ${n(s.h * 0.39)}q-16 -70 40 -84l60 0q52 16 40 84Z`,
      vertical(s, [
        [0, "#5a8a9a"],
        [1, "#2f5a6a"],
      ]),
    ) +
    line(`M210 ${n(s.h * 0.27)}q60 -70 118 0`, "#1d1e20", 8) +
    line(`M338 ${n(s.h * 0.34)}l44 -28`, "#2f5a6a", 15);
  out += lampLight(s, 275, s.h * 0.62, 520);
  out +=
    rect(
      -10,
      s.h * 0.86,
      1020,
      s.h,
      vertical(s, [
        [0, "#7a5232"],
        [1, "#3a2416"],
      ]),
    ) + ellipse(640, s.h * 0.93, 260, 34, "#a8473a", { opacity: 0.8 });
  return out + at(s.random.between(580, 690), s.h * 0.93, dog(byLamp(s)), s.h / 300, true);
};
