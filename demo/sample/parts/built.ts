import { darker, lighter, lit } from "../light.ts";
import { circle, ellipse, group, line, n, rect, type Stage, shape, vertical } from "../svg.ts";

/** Courses of stone or brick inside a box. */
export function masonry(
  stage: Stage,
  x: number,
  y: number,
  w: number,
  h: number,
  colour: string,
  course: number,
): string {
  const { random } = stage;
  let out = rect(x, y, w, h, colour);
  for (let row = 0; row * course < h; row += 1) {
    const yy = y + row * course;
    out += line(`M${n(x)} ${n(yy)}L${n(x + w)} ${n(yy)}`, darker(colour, 0.25), 1, { opacity: 0.6 });
    for (let xx = x + (row % 2) * course * 0.9; xx < x + w; xx += course * 1.8) {
      const bw = Math.min(course * 1.8, x + w - xx);
      if (random.random(0.5))
        out += rect(
          xx,
          yy,
          bw,
          Math.min(course, y + h - yy),
          random.random(0.5) ? lighter(colour, 0.12) : darker(colour, 0.12),
          { opacity: 0.55 },
        );
    }
  }
  return out;
}

/** A stone bridge over the cut, centred on x, its deck at `deck` and its foot at `foot`. */
export function bridge(stage: Stage, x: number, deck: number, foot: number, half: number): string {
  const { light, w, random } = stage;
  const stone = lit(light, "#a89a86", 0.1);
  const rise = foot - deck - 34;
  const arch = `M${n(x - half)} ${n(foot)}C${n(x - half)} ${n(foot - rise * 1.32)} ${n(x + half)} ${n(foot - rise * 1.32)} ${n(x + half)} ${n(foot)}`;
  const body = `M-20 ${n(deck + 70)}C${n(w * 0.2)} ${n(deck + 30)} ${n(x - half)} ${n(deck)} ${n(x)} ${n(deck)}C${n(x + half)} ${n(deck)} ${n(w * 0.8)} ${n(deck + 30)} ${n(w + 20)} ${n(deck + 70)}L${n(w + 20)} ${n(foot)}L${n(x + half)} ${n(foot)}C${n(x + half)} ${n(foot - rise * 1.32)} ${n(x - half)} ${n(foot - rise * 1.32)} ${n(x - half)} ${n(foot)}L-20 ${n(foot)}Z`;
  const clip = stage.define((id) => `<clipPath id="${id}"><path d="${body}"/></clipPath>`);
  let stones = "";
  for (let row = 0; row < 26; row += 1)
    for (let i = 0; i < 30; i += 1) {
      const yy = deck + row * 15;
      const xx = i * 38 + (row % 2) * 19 - 30;
      stones += rect(
        xx,
        yy,
        36,
        13.4,
        random.random(0.5) ? lighter(stone, random.between(0, 0.16)) : darker(stone, random.between(0, 0.16)),
        { rx: 2 },
      );
    }
  let out =
    shape(
      body,
      vertical(stage, [
        [0, lighter(stone, 0.15)],
        [1, darker(stone, 0.3)],
      ]),
    ) + group(stones, undefined, { "clip-path": clip, opacity: 0.75 });
  out += line(arch, lighter(stone, 0.2), 13) + line(arch, darker(stone, 0.35), 1.6);
  out += line(
    `M-20 ${n(deck + 70)}C${n(w * 0.2)} ${n(deck + 30)} ${n(x - half)} ${n(deck)} ${n(x)} ${n(deck)}C${n(x + half)} ${n(deck)} ${n(w * 0.8)} ${n(deck + 30)} ${n(w + 20)} ${n(deck + 70)}`,
    light.weather === "snow" ? "#f4f7f9" : lighter(stone, 0.28),
    11,
  );
  return out;
}

/** Lock gates seen from below, closed, with their balance beams; `w` wide, foot at 0. */
export function gates(stage: Stage, w: number, h: number): string {
  const { light, random } = stage;
  const wood = lit(light, "#4d4238");
  let out = "";
  for (const side of [-1, 1]) {
    out += rect(
      side < 0 ? -w / 2 : 1,
      -h,
      w / 2 - 1,
      h,
      vertical(stage, [
        [0, lighter(wood, 0.12)],
        [0.7, wood],
        [1, darker(wood, 0.5)],
      ]),
    );
    for (let i = 1; i < 6; i += 1)
      out += line(`M${n(side * (w / 12) * i)} ${n(-h)}L${n(side * (w / 12) * i)} 0`, darker(wood, 0.4), 2);
    for (const t of [0.22, 0.55, 0.85]) out += rect(side < 0 ? -w / 2 : 1, -h * t, w / 2 - 1, 9, darker(wood, 0.22));
    out +=
      line(`M${n(side * 4)} ${n(-h - 10)}L${n(side * w * 1.15)} ${n(-h - 26)}`, lit(light, "#23272a"), 20) +
      line(`M${n(side * w * 1.0)} ${n(-h - 24)}L${n(side * w * 1.15)} ${n(-h - 26)}`, lit(light, "#f3efe4"), 20);
    out += rect(side * w * 0.3 - 5, -h - 44, 10, 40, lit(light, "#2b2f33"));
    for (let i = 0; i < 4; i += 1)
      out += line(
        `M${n(side * random.between(8, w / 2 - 8))} ${n(-h * random.between(0.15, 0.5))}q${n(random.between(-4, 4))} 20 ${n(random.between(-3, 3))} ${n(random.between(30, 60))}`,
        "#e9f3f5",
        3,
        { opacity: 0.55 },
      );
  }
  return out;
}

export function cottage(stage: Stage, lamps = false): string {
  const { light } = stage;
  const wall = lit(light, "#ece3d2");
  const roof = lit(light, light.weather === "snow" ? "#eff3f6" : "#6a5a58");
  const glass = lamps ? "#ffd587" : lit(light, "#4a6470");
  let out = rect(
    -90,
    -92,
    180,
    92,
    vertical(stage, [
      [0, wall],
      [1, darker(wall, 0.14)],
    ]),
  );
  out +=
    shape("M-104 -88L-78 -146L78 -146L104 -88Z", roof) +
    rect(46, -176, 22, 40, lit(light, "#8a5a48")) +
    rect(42, -180, 30, 7, darker(wall, 0.3));
  for (const x of [-66, 32])
    out +=
      rect(x - 3, -73, 40, 36, lighter(wall, 0.3)) +
      rect(x, -70, 34, 30, glass) +
      line(`M${x + 17} -70v30M${x} -55h34`, lighter(wall, 0.3), 2.6);
  out += rect(-15, -60, 30, 60, lit(light, "#2f5a6a"), { rx: 3 }) + circle(9, -30, 2.4, lit(light, "#e0b24a"));
  for (let i = 0; i < 14; i += 1)
    out += circle(-84 + i * 13, -4 - (i % 3) * 5, 7, lit(light, ["#4f8a45", "#d9534a", "#f0c35a", "#6fa24a"][i % 4]!));
  return out;
}

/** A row of houses along a wharf; feet at y. */
export function wharf(stage: Stage, y: number): string {
  const { light, random, w } = stage;
  let out = "";
  const walls = ["#c9745a", "#e8d9bc", "#9fb2a4", "#d8b98a", "#b5675a", "#dcd6ca"];
  for (let x = -30; x < w; ) {
    const [bw, bh] = [random.between(96, 170), random.between(110, 200)];
    const wall = lit(light, random.pick(walls), 0.12);
    const roof = lit(
      light,
      light.weather === "snow" ? "#eff3f6" : random.pick(["#6b5552", "#7a4a3c", "#57585f"]),
      0.12,
    );
    out += rect(
      x,
      y - bh,
      bw,
      bh,
      vertical(stage, [
        [0, lighter(wall, 0.08)],
        [1, darker(wall, 0.16)],
      ]),
    );
    out += shape(
      `M${n(x - 6)} ${n(y - bh + 2)}L${n(x + bw * 0.2)} ${n(y - bh - 38)}L${n(x + bw * 0.8)} ${n(y - bh - 38)}L${n(x + bw + 6)} ${n(y - bh + 2)}Z`,
      roof,
    );
    for (let wy = y - bh + 22; wy < y - 46; wy += 46)
      for (let wx = x + 16; wx < x + bw - 26; wx += 38) {
        const on = (light.hour === "night" || light.hour === "dusk") && random.random(0.6);
        out +=
          rect(wx - 2, wy - 2, 24, 30, lighter(wall, 0.3)) +
          rect(wx, wy, 20, 26, on ? "#ffd587" : lit(light, "#50646f", 0.1));
      }
    if (random.random(0.6))
      out += rect(x + bw / 2 - 13, y - 40, 26, 40, lit(light, random.pick(["#2f5a6a", "#7a2f3a", "#3f5a3a"])));
    x += bw + 2;
  }
  return out;
}

export function bunting(stage: Stage, x0: number, y0: number, x1: number, y1: number, sag: number): string {
  const colours = ["#d9534a", "#f0c35a", "#4f8aa8", "#6fa24a", "#e9a0b8", "#f3efe4"];
  let out = line(
    `M${n(x0)} ${n(y0)}Q${n((x0 + x1) / 2)} ${n((y0 + y1) / 2 + sag)} ${n(x1)} ${n(y1)}`,
    lit(stage.light, "#5a5048"),
    1.6,
  );
  for (let i = 0; i < 14; i += 1) {
    const t = (i + 0.5) / 14;
    const [a, b, c] = [(1 - t) ** 2, 2 * t * (1 - t), t * t];
    const [x, y] = [a * x0 + (b * (x0 + x1)) / 2 + c * x1, a * y0 + b * ((y0 + y1) / 2 + sag) + c * y1];
    out += shape(
      `M${n(x - 11)} ${n(y)}L${n(x + 11)} ${n(y)}L${n(x)} ${n(y + 24)}Z`,
      lit(stage.light, colours[i % colours.length]!),
    );
  }
  return out;
}

export function mug(stage: Stage, x: number, y: number, s: number, colour: string): string {
  const c = lit(stage.light, colour);
  let out = ellipse(x, y + 2 * s, 42 * s, 7 * s, "#10151a", { opacity: 0.3 });
  out += line(
    `M${n(x + 26 * s)} ${n(y - 48 * s)}q${n(30 * s)} ${n(2 * s)} ${n(20 * s)} ${n(24 * s)}q${n(-6 * s)} ${n(10 * s)} ${n(-24 * s)} ${n(8 * s)}`,
    darker(c, 0.1),
    8 * s,
  );
  out += shape(
    `M${n(x - 32 * s)} ${n(y - 66 * s)}L${n(x + 32 * s)} ${n(y - 66 * s)}L${n(x + 28 * s)} ${n(y)}Q${n(x)} ${n(y + 6 * s)} ${n(x - 28 * s)} ${n(y)}Z`,
    vertical(stage, [
      [0, lighter(c, 0.15)],
      [1, darker(c, 0.2)],
    ]),
  );
  out += rect(x - 31 * s, y - 40 * s, 62 * s, 7 * s, lighter(c, 0.45), { opacity: 0.85 });
  out += ellipse(x, y - 66 * s, 32 * s, 8 * s, lighter(c, 0.3)) + ellipse(x, y - 65 * s, 27 * s, 6 * s, "#4a2a18");
  for (const dx of [-10, 4, 16])
    out += line(
      `M${n(x + dx * s)} ${n(y - 76 * s)}q${n(10 * s)} ${n(-18 * s)} ${n(-2 * s)} ${n(-34 * s)}q${n(-10 * s)} ${n(-16 * s)} ${n(4 * s)} ${n(-32 * s)}`,
      "#ffffff",
      5 * s,
      { opacity: 0.22 },
    );
  return out;
}
