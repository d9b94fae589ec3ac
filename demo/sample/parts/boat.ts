import { darker, lighter, lit } from "../light.ts";
import { at, circle, ellipse, line, n, rect, type Stage, shape, vertical } from "../svg.ts";

export interface BoatPaint {
  readonly hull: string;
  readonly cabin: string;
  readonly panel: string;
  readonly trim: string;
}

export const marigold: BoatPaint = { hull: "#23282c", cabin: "#2d5a4a", panel: "#b5402f", trim: "#f0c35a" };
export const otherBoats: readonly BoatPaint[] = [
  { hull: "#26292e", cabin: "#2f4a7a", panel: "#e2d3b0", trim: "#d9534a" },
  { hull: "#2a2522", cabin: "#7a2f3a", panel: "#2c4f4a", trim: "#efd9a0" },
  { hull: "#22272a", cabin: "#4a4f6a", panel: "#d98a3a", trim: "#f2ead6" },
];

/** A narrowboat from the side, bow to the right: 620 long, waterline at 0. */
export function boat(
  stage: Stage,
  paint: BoatPaint,
  with_: { readonly smoke?: boolean; readonly lamps?: boolean; readonly frost?: boolean } = {},
): string {
  const { light, random } = stage;
  const c = (colour: string) => lit(light, colour);
  const glass = with_.lamps ? "#ffd98a" : c(light.hour === "night" ? "#1b2438" : "#39505c");
  let out = ellipse(310, 3, 320, 7, "#0b1416", { opacity: 0.35 });
  out += shape(
    "M6 0C2 -14 4 -30 10 -36L520 -36C560 -37 596 -46 616 -58C622 -40 606 -14 588 0Z",
    vertical(stage, [
      [0, lighter(c(paint.hull), 0.16)],
      [0.3, c(paint.hull)],
      [1, darker(c(paint.hull), 0.4)],
    ]),
  );
  out +=
    line("M10 -30L522 -30C562 -31 596 -40 614 -51", c(paint.trim), 2.4) +
    line("M8 -10L600 -10", darker(c(paint.hull), 0.5), 2);
  out += shape(
    "M86 -36L92 -88L476 -88L492 -36Z",
    vertical(stage, [
      [0, lighter(c(paint.cabin), 0.12)],
      [1, darker(c(paint.cabin), 0.15)],
    ]),
  );
  out += shape("M300 -40L300 -84L470 -84L484 -40Z", c(paint.panel), { opacity: 0.95 });
  out += line("M300 -40L300 -84L470 -84L484 -40Z", c(paint.trim), 2);
  out += line("M98 -40L103 -84L292 -84L292 -40Z", c(paint.trim), 1.6);
  for (const x of [122, 178, 234])
    out +=
      rect(x - 2, -77, 40, 26, c(paint.trim), { rx: 3 }) +
      rect(x, -75, 36, 22, glass, { rx: 2 }) +
      (with_.lamps
        ? ""
        : shape(`M${x + 3} -54L${x + 14} -74L${x + 22} -74L${x + 11} -54Z`, "#ffffff", { opacity: 0.16 }));
  for (const x of [336, 392, 444]) out += circle(x, -62, 14, c(paint.trim)) + circle(x, -62, 11, glass);
  out += shape("M84 -88L90 -95L478 -95L486 -88Z", c(with_.frost ? "#eef4f7" : lighter(paint.hull, 0.28)));
  if (with_.frost) out += line("M88 -93L480 -93", "#ffffff", 4, { opacity: 0.8 });
  // Open stern with tiller, and a covered bow.
  out +=
    line("M60 -36C58 -66 52 -78 34 -82", c("#c9a24a"), 5) +
    line("M34 -82L8 -84", c("#8a3a2c"), 5) +
    rect(56, -50, 12, 16, c(paint.panel), { rx: 2 });
  out += shape("M492 -36L478 -86C520 -80 552 -64 566 -44Z", c(darker(paint.cabin, 0.3)));
  out += line("M600 -50L600 -66", c("#c9a24a"), 4) + circle(600, -68, 4, c(paint.trim));
  // The roof's own life: chimney, pole, box of plants, coil.
  out += rect(396, -122, 13, 30, c("#2b2b2b")) + rect(393, -125, 19, 6, c("#c9a24a"));
  out += line("M112 -99L372 -99", c("#8a6a44"), 3.4) + line("M120 -103L330 -103", c("#b58a55"), 2.6);
  for (const x of [210, 238, 266]) out += pot(stage, x, -95);
  out += ellipse(150, -98, 16, 5, c("#d8c7a0")) + ellipse(150, -101, 12, 4, c("#b9a67c"));
  if (with_.smoke)
    for (let i = 0; i < 11; i += 1)
      out += circle(402 + i * 9 + random.between(-6, 6), -134 - i * 12, 7 + i * 3.2, lighter(light.haze, 0.4), {
        opacity: 0.3 - i * 0.022,
      });
  return out;
}

function pot(stage: Stage, x: number, y: number): string {
  const { light, random } = stage;
  const c = (colour: string) => lit(light, colour);
  let out = shape(
    `M${x - 9} ${y - 13}L${x + 9} ${y - 13}L${x + 7} ${y}L${x - 7} ${y}Z`,
    c(random.pick(["#b8572f", "#2f6a5a", "#c0392b"])),
  );
  for (let i = 0; i < 8; i += 1)
    out += circle(
      x + random.between(-12, 12),
      y - 15 - random.between(0, 13),
      random.between(3, 5.5),
      light.season === "winter"
        ? c("#6f7a66")
        : random.random(0.5)
          ? c("#4f8a45")
          : c(random.pick(["#e86a5a", "#f6c84a", "#e9a0c0", "#fdf3e0"])),
    );
  return out;
}

/** The boat seen from astern or ahead, filling a lock or coming round a bend: 150 wide, waterline at 0. */
export function boatHeadOn(stage: Stage, paint: BoatPaint): string {
  const c = (colour: string) => lit(stage.light, colour);
  return (
    ellipse(0, 2, 82, 8, "#0b1416", { opacity: 0.4 }) +
    shape("M-74 -46C-72 -18 -48 0 0 2C48 0 72 -18 74 -46C50 -36 -50 -36 -74 -46Z", darker(c(paint.hull), 0.1)) +
    shape("M0 -44L-4 0L4 0Z", lighter(c(paint.hull), 0.18)) +
    line("M-73 -44C-46 -32 46 -32 73 -44", c(paint.trim), 3) +
    shape("M-58 -42L-50 -104L50 -104L58 -42C40 -36 -40 -36 -58 -42Z", c(paint.cabin)) +
    rect(-40, -94, 32, 40, c(paint.panel), { rx: 3 }) +
    rect(8, -94, 32, 40, c(paint.panel), { rx: 3 }) +
    rect(-34, -88, 20, 18, c("#39505c"), { rx: 2 }) +
    rect(14, -88, 20, 18, c("#39505c"), { rx: 2 }) +
    shape("M-54 -104L-48 -112L48 -112L54 -104Z", lighter(c(paint.hull), 0.25)) +
    at(-18, -112, pot(stage, 0, 0)) +
    at(16, -112, pot(stage, 0, 0)) +
    circle(0, -28, 9, c(paint.trim)) +
    circle(0, -28, 5, c(paint.panel)) +
    line(`M-30 -112L-30 -${n(140)}`, c("#2b2b2b"), 9)
  );
}
