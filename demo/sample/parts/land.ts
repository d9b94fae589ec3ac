import { darker, lighter, lit, mix } from "../light.ts";
import { at, circle, ellipse, line, n, radial, rect, type Stage, shape, smooth, vertical } from "../svg.ts";

export function sky(stage: Stage, horizon: number, sunX = 0.7): string {
  const { light, random, w } = stage;
  const [top, middle, low] = light.sky;
  let out = rect(
    0,
    0,
    w,
    horizon + 4,
    vertical(stage, [
      [0, top],
      [0.6, middle],
      [1, low],
    ]),
  );
  if (light.hour === "night" && light.weather !== "overcast")
    for (let i = 0; i < 90; i += 1)
      out += circle(random.between(0, w), random.between(0, horizon * 0.9), random.between(0.5, 1.7), "#fdfbf0", {
        opacity: random.between(0.3, 0.95),
      });
  const sx = w * sunX;
  const sy = horizon * (1 - light.sun.height);
  if (light.sun.glow > 0.1) {
    const glow = radial(stage, [
      [0, light.sun.colour, 0.95 * light.sun.glow],
      [0.25, light.sun.colour, 0.45 * light.sun.glow],
      [1, light.sun.colour, 0],
    ]);
    const r = w * (light.hour === "noon" ? 0.3 : 0.5);
    out += ellipse(sx, sy, r, r, glow);
    if (light.hour === "night")
      out += circle(sx, sy, 26, "#f4f2e6") + circle(sx + 9, sy - 6, 22, mix(top, "#f4f2e6", 0.12));
    else
      out += circle(sx, sy, light.hour === "dusk" || light.hour === "dawn" ? 34 : 24, lighter(light.sun.colour, 0.6));
  }
  const many = { clear: 2, cloudy: 7, overcast: 11, rain: 12, mist: 3, snow: 8 }[light.weather];
  for (let i = 0; i < many; i += 1)
    out += cloud(
      stage,
      random.between(-60, w + 60),
      random.between(horizon * 0.05, horizon * 0.75),
      random.between(60, 190),
    );
  return out;
}

function cloud(stage: Stage, x: number, y: number, size: number): string {
  const { light, random } = stage;
  const heavy = light.weather === "rain" || light.weather === "overcast";
  const body =
    light.hour === "night"
      ? "#2b3a63"
      : mix(heavy ? "#9aa4ad" : "#ffffff", light.sky[2], light.hour === "noon" || heavy ? 0.15 : 0.5);
  const soft = radial(stage, [
    [0, body, 0.75],
    [0.55, body, 0.5],
    [1, body, 0],
  ]);
  let out = "";
  for (let i = 0; i < 6; i += 1)
    out += ellipse(
      x + random.between(-size, size),
      y + random.between(-size * 0.14, size * 0.12),
      size * random.between(0.4, 0.8),
      size * random.between(0.14, 0.28),
      soft,
    );
  return out;
}

/** A rolling line of land from one edge to the other, filled down to `floor`. */
export function hills(stage: Stage, y: number, swing: number, colour: string, floor: number, steps = 7): string {
  const { random, w } = stage;
  const points: [number, number][] = [];
  for (let i = 0; i <= steps; i += 1) points.push([(i * (w + 80)) / steps - 40, y + random.between(-swing, swing)]);
  return shape(
    `${smooth(points)}L${n(w + 40)} ${n(floor)}L-40 ${n(floor)}Z`,
    vertical(stage, [
      [0, lighter(colour, 0.1)],
      [1, darker(colour, 0.12)],
    ]),
  );
}

/** Fields behind fields, with hedges, up to the horizon. */
export function country(stage: Stage, horizon: number, floor: number): string {
  const { light, random } = stage;
  let out = hills(stage, horizon - 26, 26, lit(light, "#6f88a0", 0.75), floor);
  out += hills(stage, horizon - 6, 16, mix(light.grass, light.haze, 0.62), floor);
  out += treeLine(stage, horizon + 4, 9, 16, 0.62);
  out += hills(stage, horizon + 14, 9, mix(light.grass, light.haze, 0.4), floor);
  if (random.random(0.6)) out += at(random.between(120, 880), horizon + 12, farm(stage), random.between(0.5, 0.8));
  out += treeLine(stage, horizon + 22, 14, 30, 0.36);
  return out;
}

function farm(stage: Stage): string {
  const { light } = stage;
  const wall = lit(light, "#e9dfcd", 0.4);
  const roof = lit(light, light.weather === "snow" ? "#eef2f5" : "#9a5a44", 0.4);
  return (
    rect(-26, -20, 40, 20, wall) +
    shape("M-30 -19L-6 -36L18 -19Z", roof) +
    rect(14, -14, 26, 14, wall) +
    shape("M12 -13L27 -24L42 -13Z", roof) +
    rect(-16, -14, 5, 7, darker(roof, 0.4)) +
    rect(-2, -14, 5, 7, darker(roof, 0.4))
  );
}

export function treeLine(stage: Stage, y: number, count: number, size: number, far: number): string {
  const { light, random, w } = stage;
  let out = "";
  for (let i = 0; i < count; i += 1) {
    const c = mix(random.pick(light.foliage), light.haze, far);
    const x = random.between(-20, w + 20);
    const s = size * random.between(0.6, 1.3);
    out +=
      ellipse(x, y - s * 0.4, s * 1.1, s * 0.75, darker(c, 0.12)) +
      ellipse(x - s * 0.3, y - s * 0.7, s * 0.6, s * 0.5, c);
  }
  return out;
}

/** A tree that stands close enough to have a trunk; 200 units high at scale 1, foot at 0. */
export function tree(stage: Stage, kind: "round" | "poplar" | "willow" | "bare"): string {
  const { light, random } = stage;
  const trunk = lit(light, "#4a3b32");
  const leaf = random.pick(light.foliage);
  if (kind === "bare" || (light.season === "winter" && kind !== "poplar")) return bareTree(stage, trunk);
  let out = shape("M-7 0C-5 -40 -6 -70 -3 -110L4 -110C6 -70 6 -40 9 0Z", trunk);
  if (kind === "poplar") {
    for (let i = 0; i < 26; i += 1) {
      const t = i / 25;
      out += ellipse(
        random.between(-9, 9),
        -30 - t * 180,
        24 * (1 - t * 0.75),
        22,
        mix(darker(leaf, 0.25), lighter(leaf, 0.12), random.next()),
      );
    }
    return out;
  }
  const blobs = kind === "willow" ? 46 : 38;
  for (let i = 0; i < blobs; i += 1) {
    const angle = random.between(0, Math.PI * 2);
    const r = Math.sqrt(random.next()) * 66;
    const [x, y] = [Math.cos(angle) * r * 1.15, -135 + Math.sin(angle) * r * 0.82];
    const up = (-135 - y + 40) / 100 + (x < 0 ? 0.15 : -0.1);
    out += circle(x, y, random.between(15, 27), mix(darker(leaf, 0.36), lighter(leaf, 0.22), up));
  }
  if (kind === "willow")
    for (let i = 0; i < 34; i += 1) {
      const x = random.between(-84, 84);
      out += line(
        `M${n(x * 0.8)} -120q${n(x * 0.3)} 40 ${n(x * 0.25)} ${n(random.between(60, 112))}`,
        mix(darker(leaf, 0.2), lighter(leaf, 0.2), random.next()),
        3.4,
        { opacity: 0.85 },
      );
    }
  return out;
}

function bareTree(stage: Stage, colour: string): string {
  const { random, light } = stage;
  const branch = (x: number, y: number, angle: number, length: number, width: number): string => {
    const [x2, y2] = [x + Math.cos(angle) * length, y + Math.sin(angle) * length];
    let out = line(`M${n(x)} ${n(y)}L${n(x2)} ${n(y2)}`, colour, width);
    if (light.weather === "snow" && width > 1)
      out += line(`M${n(x)} ${n(y - width * 0.4)}L${n(x2)} ${n(y2 - width * 0.4)}`, "#f3f6f8", width * 0.4);
    if (width > 0.9)
      for (const turn of [-0.5, 0.08, 0.55])
        out += branch(
          x2,
          y2,
          angle + turn * random.between(0.7, 1.2),
          length * random.between(0.62, 0.78),
          width * 0.6,
        );
    return out;
  };
  return branch(0, 0, -Math.PI / 2 + random.between(-0.08, 0.08), 68, 9);
}

/** Long grass and reeds along an edge; seeds or flowers by the season. */
export function reeds(stage: Stage, x0: number, x1: number, y: number, height: number, count: number): string {
  const { light, random } = stage;
  let out = "";
  for (let i = 0; i < count; i += 1) {
    const x = random.between(x0, x1);
    const h = height * random.between(0.5, 1.1);
    const lean = random.between(-0.25, 0.3) * h;
    const c = mix(darker(light.grass, random.between(0.1, 0.5)), random.pick(light.foliage), random.next() * 0.5);
    out += line(
      `M${n(x)} ${n(y)}Q${n(x + lean * 0.2)} ${n(y - h * 0.6)} ${n(x + lean)} ${n(y - h)}`,
      c,
      random.between(1.4, 3.4),
    );
    if (random.random(0.09)) out += ellipse(x + lean, y - h, 3.4, 13, lit(light, "#6a4a33"));
    else if (light.season === "spring" && random.random(0.12))
      out += circle(x + lean, y - h, 4, lit(light, random.pick(["#fff3c4", "#f6d34a", "#f0b8cf"])));
    else if (light.season === "summer" && random.random(0.1))
      out += circle(x + lean, y - h, 4, lit(light, random.pick(["#b87fc7", "#e96f6f", "#fdf3e0"])));
  }
  return out;
}

export function weatherOver(stage: Stage): string {
  const { light, random, w, h } = stage;
  let out = "";
  if (light.weather === "rain")
    for (let i = 0; i < 240; i += 1) {
      const [x, y, l] = [random.between(-20, w), random.between(-20, h), random.between(14, 46)];
      out += line(`M${n(x)} ${n(y)}l${n(-l * 0.16)} ${n(l)}`, "#eaf1f5", random.between(0.5, 1.5), {
        opacity: random.between(0.15, 0.45),
      });
    }
  if (light.weather === "snow")
    for (let i = 0; i < 170; i += 1)
      out += circle(random.between(0, w), random.between(0, h), random.between(1, 4.5), "#ffffff", {
        opacity: random.between(0.35, 0.9),
      });
  if (light.weather === "mist")
    for (let i = 0; i < 7; i += 1) {
      const soft = radial(stage, [
        [0, light.haze, 0.6],
        [1, light.haze, 0],
      ]);
      out += ellipse(
        random.between(0, w),
        h * random.between(0.35, 0.75),
        random.between(300, 620),
        random.between(30, 80),
        soft,
      );
    }
  return out;
}
