import { darker, lighter, mix } from "../light.ts";
import { ellipse, group, n, rect, type Stage, vertical } from "../svg.ts";

/** Water from `y` to the foot of the picture, with what stands at its edge mirrored in it. */
export function water(stage: Stage, y: number, standing = "", calm = 0.6): string {
  const { light, w, h } = stage;
  const [far, near] = light.water;
  let out = rect(
    0,
    y,
    w,
    h - y,
    vertical(stage, [
      [0, far],
      [1, near],
    ]),
  );
  if (standing) {
    const clip = stage.define(
      (id) => `<clipPath id="${id}"><rect x="0" y="${n(y)}" width="${w}" height="${n(h - y)}"/></clipPath>`,
    );
    out += group(group(standing, `translate(0 ${n(2 * y)}) scale(1 -1)`), undefined, {
      opacity: 0.25 + calm * 0.4,
      "clip-path": clip,
    });
    out += rect(
      0,
      y,
      w,
      h - y,
      vertical(stage, [
        [0, far, 0.12],
        [1, near, 0.6],
      ]),
    );
  }
  return out + ripples(stage, y, calm);
}

function ripples(stage: Stage, y: number, calm: number): string {
  const { light, random, w, h } = stage;
  const [far, near] = light.water;
  let out = "";
  const count = Math.round(190 - 90 * calm);
  for (let i = 0; i < count; i += 1) {
    const t = random.next() ** 1.6;
    const yy = y + 3 + t * (h - y);
    const length = (14 + 130 * t) * random.between(0.4, 1.2);
    const bright = random.random(0.5);
    out += ellipse(
      random.between(-40, w + 40),
      yy,
      length,
      0.7 + 3.2 * t,
      bright ? lighter(mix(far, light.sky[2], 0.5), 0.2) : darker(near, 0.25),
      { opacity: random.between(0.06, 0.3) },
    );
  }
  if (light.sun.glow > 0.3)
    for (let i = 0; i < 60; i += 1) {
      const t = random.next();
      out += ellipse(
        w * 0.7 + random.between(-1, 1) * (18 + 90 * t),
        y + 4 + t * (h - y) * 0.85,
        5 + 22 * t * random.next(),
        1 + 1.8 * t,
        lighter(light.sun.colour, 0.35),
        { opacity: random.between(0.15, 0.75) * light.sun.glow },
      );
    }
  return out;
}
