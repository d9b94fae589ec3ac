import { darker, lighter, lit } from "../light.ts";
import { at, circle, ellipse, line, type Stage, shape } from "../svg.ts";

export interface Person {
  readonly skin: string;
  readonly hair: string;
  readonly coat: string;
  readonly style: "long" | "short" | "bun" | "beard" | "cap" | "curls";
  readonly size: number;
}

/** The crew; all made up. */
export const crew = {
  ada: { skin: "#c98f6b", hair: "#2d211c", coat: "#d49a2a", style: "long", size: 1 },
  jory: { skin: "#e2b08c", hair: "#6a4a30", coat: "#33506e", style: "beard", size: 1.06 },
  mirren: { skin: "#d6a07c", hair: "#3a2a22", coat: "#c0453a", style: "curls", size: 0.74 },
  tam: { skin: "#d9a884", hair: "#7a5532", coat: "#4f8a6a", style: "cap", size: 0.66 },
  nan: { skin: "#e6bd9e", hair: "#d9d6d0", coat: "#7a5a8a", style: "bun", size: 0.94 },
} as const satisfies Record<string, Person>;

/** Standing, foot at 0, about 150 high for a grown-up. */
export function standing(
  stage: Stage,
  who: Person,
  pose: "plain" | "waving" | "steering" | "pushing" = "plain",
): string {
  const c = (colour: string) => lit(stage.light, colour);
  const coat = c(who.coat);
  const legs = c("#3a3f4a");
  let out =
    shape("M-13 -62L-11 0L-2 0L0 -50L3 0L12 0L14 -62Z", legs) +
    ellipse(-7, -1, 8, 4, darker(legs, 0.4)) +
    ellipse(9, -1, 8, 4, darker(legs, 0.4));
  out +=
    shape("M-17 -54C-21 -84 -18 -106 -8 -110L9 -110C19 -106 22 -84 18 -54Z", coat) +
    shape("M4 -110C19 -106 22 -84 18 -54L8 -54Z", darker(coat, 0.14));
  const arm = (d: string) => line(d, darker(coat, 0.08), 10);
  if (pose === "waving")
    out +=
      arm("M14 -102C26 -108 30 -124 32 -136") +
      circle(33, -140, 5.5, c(who.skin)) +
      arm("M-14 -102C-22 -88 -20 -76 -18 -66");
  else if (pose === "steering")
    out +=
      arm("M14 -100C28 -96 36 -88 44 -84") + circle(46, -83, 5, c(who.skin)) + arm("M-13 -100C-20 -88 -18 -76 -14 -68");
  else if (pose === "pushing")
    out += arm("M12 -100C28 -98 40 -96 50 -92") + arm("M-6 -98C16 -92 34 -90 48 -86") + circle(52, -90, 6, c(who.skin));
  else
    out +=
      arm("M14 -102C22 -88 21 -74 18 -64") +
      arm("M-14 -102C-22 -88 -21 -74 -18 -64") +
      circle(18, -61, 5, c(who.skin)) +
      circle(-18, -61, 5, c(who.skin));
  out += at(0, -124, head(stage, who), 0.2);
  return at(0, 0, out, who.size);
}

/** Head and shoulders, chin about at 78, ±75 wide: for portraits, or small on a figure. */
export function head(stage: Stage, who: Person, looks = 0): string {
  const c = (colour: string) => lit(stage.light, colour);
  const skin = c(who.skin);
  const hair = c(who.hair);
  let out = "";
  if (who.style === "long")
    out += shape(
      "M-70 0C-78 -70 -40 -96 0 -96C42 -96 78 -70 70 0C72 50 66 84 52 92L-52 92C-66 84 -72 50 -70 0Z",
      darker(hair, 0.1),
    );
  if (who.style === "curls")
    for (let i = 0; i < 15; i += 1)
      out += circle(
        Math.cos(i * 0.42 + 2.9) * 66,
        Math.sin(i * 0.42 + 2.9) * 66 - 8,
        27,
        i % 2 ? hair : lighter(hair, 0.08),
      );
  if (who.style === "bun") out += circle(0, -84, 30, darker(hair, 0.1));
  out += shape("M-22 50L-24 100L24 100L22 50Z", darker(skin, 0.12));
  out += ellipse(-59, 4, 9, 15, darker(skin, 0.08)) + ellipse(59, 4, 9, 15, darker(skin, 0.08));
  out += shape("M-58 -20C-58 -66 -30 -84 0 -84C30 -84 58 -66 58 -20C58 34 34 72 0 74C-34 72 -58 34 -58 -20Z", skin);
  out += shape("M18 -82C46 -74 58 -54 58 -20C58 34 34 72 6 74C36 50 44 -10 18 -82Z", darker(skin, 0.08));
  const x = looks * 6;
  out +=
    ellipse(-22 + x, -4, 5.6, 7, "#2a2320") +
    ellipse(22 + x, -4, 5.6, 7, "#2a2320") +
    circle(-20 + x, -7, 1.8, "#ffffff") +
    circle(24 + x, -7, 1.8, "#ffffff");
  out += line(
    `M${-33 + x} -20Q${-22 + x} -27 ${-12 + x} -21M${12 + x} -21Q${22 + x} -27 ${33 + x} -20`,
    darker(hair, 0.15),
    4.4,
  );
  out += line(`M${x} -2Q${x + 7} 12 ${x - 2} 15`, darker(skin, 0.24), 3.4);
  out += ellipse(-33, 20, 12, 8, "#d8604f", { opacity: 0.22 }) + ellipse(33, 20, 12, 8, "#d8604f", { opacity: 0.22 });
  if (who.style === "beard")
    out += shape("M-58 -2C-56 44 -34 84 0 86C34 84 56 44 58 -2C48 22 34 26 20 27L-20 27C-34 26 -48 22 -58 -2Z", hair);
  out += shape(
    `M${-20 + x} 36Q${x} 58 ${20 + x} 36Q${x} 44 ${-20 + x} 36Z`,
    who.style === "beard" ? "#8f3f38" : "#a8443c",
  );
  if (who.style === "short" || who.style === "beard")
    out += shape(
      "M-60 -14C-66 -74 -30 -98 4 -96C44 -96 66 -66 60 -14C54 -40 40 -54 20 -58C-10 -52 -44 -50 -60 -14Z",
      hair,
    );
  if (who.style === "long")
    out += shape("M-62 6C-70 -60 -34 -98 0 -96C40 -96 70 -60 62 6C56 -34 36 -58 -8 -66C-30 -54 -54 -34 -62 6Z", hair);
  if (who.style === "bun")
    out += shape(
      "M-60 -10C-64 -66 -34 -92 0 -92C36 -92 64 -66 60 -10C50 -46 28 -62 0 -64C-28 -62 -50 -46 -60 -10Z",
      hair,
    );
  if (who.style === "curls")
    for (let i = 0; i < 7; i += 1)
      out += circle(-52 + i * 17.5, -62 - Math.sin((i / 6) * Math.PI) * 20, 19, i % 2 ? lighter(hair, 0.08) : hair);
  if (who.style === "cap")
    out +=
      shape("M-62 -26C-62 -78 -32 -96 0 -96C34 -96 62 -78 62 -26Z", c("#b5402f")) +
      shape("M-64 -34L66 -34C88 -30 92 -20 84 -16L-62 -20Z", c("#8f3126"));
  return out;
}

export function bust(stage: Stage, who: Person, looks = 0): string {
  const coat = lit(stage.light, who.coat);
  return (
    shape("M-128 250C-132 150 -96 104 -36 90L36 90C96 104 132 150 128 250Z", coat) +
    shape("M30 90C96 104 132 150 128 250L60 250C70 180 60 120 30 90Z", darker(coat, 0.16)) +
    line("M-36 92Q0 128 36 92", lighter(coat, 0.3), 9) +
    head(stage, who, looks)
  );
}
