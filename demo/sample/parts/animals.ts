import { darker, lighter, lit } from "../light.ts";
import { circle, ellipse, line, n, type Stage, shape } from "../svg.ts";

/** Standing in the shallows, facing right, foot at 0, about 300 high. */
export function heron(stage: Stage, crouched = false): string {
  const c = (colour: string) => lit(stage.light, colour);
  const [grey, dark, pale] = [c("#8f9eab"), c("#2b3340"), c("#eef0ee")];
  const neck = crouched
    ? "M44 -150C74 -166 62 -190 46 -196C30 -204 36 -226 60 -224"
    : "M40 -156C84 -176 58 -214 44 -236C30 -262 44 -288 66 -290";
  const [hx, hy] = crouched ? [62, -224] : [68, -290];
  return (
    line("M6 -92C2 -60 4 -30 0 0M24 -92C26 -60 30 -34 28 0", c("#8a7a4a"), 5) +
    line("M0 0l14 2M28 0l14 2", c("#8a7a4a"), 4) +
    shape("M-72 -78C-50 -130 -8 -170 44 -162C62 -150 56 -112 24 -92C-6 -78 -40 -78 -72 -78Z", grey) +
    shape("M-96 -58C-60 -96 -30 -128 20 -132C10 -104 -40 -78 -96 -58Z", darker(grey, 0.28)) +
    shape("M-60 -72C-30 -96 0 -110 26 -112C14 -90 -24 -78 -60 -72Z", dark) +
    line(neck, pale, 17) +
    line(neck, grey, 9, { opacity: 0.45 }) +
    ellipse(hx, hy, 17, 12, pale) +
    shape(`M${n(hx + 12)} ${n(hy - 5)}L${n(hx + 78)} ${n(hy + 5)}L${n(hx + 12)} ${n(hy + 6)}Z`, c("#e0a03a")) +
    line(
      `M${n(hx + 8)} ${n(hy - 7)}C${n(hx - 10)} ${n(hy - 14)} ${n(hx - 28)} ${n(hy - 8)} ${n(hx - 48)} ${n(hy + 6)}`,
      dark,
      5,
    ) +
    circle(hx + 7, hy - 2, 2.6, "#20242a")
  );
}

/** Swimming to the right, waterline at 0, about 60 long. */
export function duck(stage: Stage, kind: "drake" | "hen" | "duckling"): string {
  const c = (colour: string) => lit(stage.light, colour);
  const body = c({ drake: "#a9a49a", hen: "#9a7a55", duckling: "#e8c24a" }[kind]);
  const top = c({ drake: "#1f6a4f", hen: "#7d6244", duckling: "#e0b23a" }[kind]);
  return (
    ellipse(0, 4, 40, 4, "#0b1416", { opacity: 0.25 }) +
    shape("M-34 -8C-30 4 26 6 30 -6C30 -18 12 -22 -4 -22C-20 -22 -30 -20 -42 -24C-42 -16 -38 -12 -34 -8Z", body) +
    shape("M-26 -14C-14 -22 8 -20 14 -12C2 -4 -16 -4 -26 -14Z", darker(body, 0.2)) +
    (kind === "drake"
      ? shape("M16 -18C24 -20 30 -14 28 -6L18 -4Z", c("#6a3a2a")) + line("M18 -22Q24 -19 30 -22", "#ffffff", 2.5)
      : "") +
    circle(26, -30, 11, top) +
    shape("M35 -32L50 -28L35 -25Z", c("#e2a83a")) +
    circle(29, -33, 1.8, "#14181c")
  );
}

export function swan(stage: Stage, young = false): string {
  const c = (colour: string) => lit(stage.light, colour);
  const white = c(young ? "#b5aca0" : "#fbfaf4");
  return (
    ellipse(0, 5, 90, 7, "#0b1416", { opacity: 0.22 }) +
    shape("M-80 -22C-70 6 50 10 62 -12C66 -40 30 -46 0 -48C-30 -62 -60 -58 -92 -50C-86 -40 -84 -30 -80 -22Z", white) +
    shape("M-62 -32C-40 -58 10 -52 34 -30C10 -12 -36 -10 -62 -32Z", darker(white, 0.1)) +
    line("M50 -20C84 -34 60 -74 62 -98C63 -116 80 -120 88 -108", white, 15) +
    shape("M86 -114L112 -100L88 -100Z", c(young ? "#6a625a" : "#e07a3a")) +
    circle(86, -110, 5, c("#20242a"))
  );
}

/** Sitting, facing right, foot at 0, about 90 high. */
export function dog(stage: Stage): string {
  const c = (colour: string) => lit(stage.light, colour);
  const [coat, dark] = [c("#d8b07a"), c("#7a5230")];
  return (
    line("M-30 -8C-52 -14 -54 -34 -44 -42", coat, 9) +
    shape("M-34 0C-42 -34 -20 -58 4 -64L22 -50C26 -30 24 -14 24 0Z", coat) +
    line("M12 -42L14 -2M24 -44L26 -2", lighter(coat, 0.1), 11) +
    circle(20, -72, 20, coat) +
    shape("M28 -74C44 -76 52 -68 48 -60C40 -56 30 -58 26 -62Z", lighter(coat, 0.2)) +
    circle(48, -67, 4.4, "#221a16") +
    circle(26, -77, 3, "#221a16") +
    shape("M6 -88C-6 -84 -8 -64 0 -56C10 -62 14 -78 12 -88Z", dark) +
    line("M4 -56Q18 -46 28 -54", c("#b5402f"), 5)
  );
}

export function birds(stage: Stage, x: number, y: number, count: number): string {
  const { random } = stage;
  let out = "";
  for (let i = 0; i < count; i += 1) {
    const [bx, by, s] = [x + random.between(-130, 130), y + random.between(-50, 50), random.between(5, 13)];
    out += line(
      `M${n(bx - s)} ${n(by - s * 0.3)}Q${n(bx - s * 0.4)} ${n(by - s * 0.6)} ${n(bx)} ${n(by)}Q${n(bx + s * 0.4)} ${n(by - s * 0.6)} ${n(bx + s)} ${n(by - s * 0.3)}`,
      lit(stage.light, "#2a2f3a"),
      2,
    );
  }
  return out;
}
