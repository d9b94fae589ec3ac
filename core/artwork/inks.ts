import { type Colour, type Lab, linearOfOklab, oklabOf, toEncoded, toLinear } from "#core/colour";

/** Used where a work has no palette of its own. */
export const firstPalette: readonly Colour[] = ["#f4eee2", "#7d9a94", "#d9a25f", "#b4685a", "#3f5150"];

export function labOf(colour: Colour): Lab {
  const channel = (at: number) => toLinear(Number.parseInt(colour.slice(at, at + 2), 16) / 255);
  return oklabOf(channel(1), channel(3), channel(5));
}

/** The nearest that a screen can show, each channel by itself. */
export const colourOfLab = (lab: Lab): Colour =>
  `#${linearOfOklab(lab)
    .map((v) => Math.round(255 * Math.min(1, Math.max(0, toEncoded(Math.max(0, v))))))
    .map((v) => v.toString(16).padStart(2, "0"))
    .join("")}`;

/** So much of the way from one colour to another, as the eye sees it (along a line in Oklab). */
export function mixed(from: Colour, to: Colour, share: number): Colour {
  if (share <= 0) return from;
  if (share >= 1) return to;
  const [a, b] = [labOf(from), labOf(to)];
  return colourOfLab([0, 1, 2].map((i) => a[i]! + (b[i]! - a[i]!) * share) as unknown as Lab);
}

/** How far apart two colours are, in Oklab: 0.02 is hardly seen. */
export function apart(a: Colour, b: Colour): number {
  const [p, q] = [labOf(a), labOf(b)];
  return Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
}

/** A ground is at least so light. */
const groundLightness = 0.93;
const seenApart = 0.06;

/**
 * A ground and so many inks out of a palette: the lightest as the ground, lightened where it has to be, and then the others in their order.
 * Where a palette has too few, those it has come again a step darker or lighter.
 */
export function inksOf(palette: readonly Colour[], inks: number): readonly Colour[] {
  const from = palette.length > 0 ? palette : firstPalette;
  const lightest = from.reduce((most, c) => (labOf(c)[0] > labOf(most)[0] ? c : most));
  const [l, a, b] = labOf(lightest);
  // A strong colour that is made so light keeps but a breath of its hue.
  const ground = l >= groundLightness ? lightest : colourOfLab([groundLightness + 0.02, a * 0.22, b * 0.22]);
  const others = from.filter((c) => apart(c, ground) >= seenApart);
  const given = others.length > 0 ? others : [lightest, "#4a5654"].filter((c) => apart(c, ground) >= seenApart);
  return [
    ground,
    ...Array.from({ length: inks }, (_, i) => {
      const [light, green, blue] = labOf(given[i % given.length]!);
      const again = Math.floor(i / given.length);
      const step = (light > 0.55 ? -0.16 : 0.16) * again;
      return again === 0 ? given[i]! : colourOfLab([light + step, green, blue]);
    }),
  ];
}
