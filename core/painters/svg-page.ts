import type { FilePart } from "#core/document";
import { escaped, groundTile, lineAttribute, pathText, photoAttribute, tileAttribute } from "#core/drawings";
import { num } from "#core/files";
import { type Matrix, multiply, type PathData, type Rect } from "#core/geometry";
import { type DrawStep, maskMatrix, type PhotoStep, type PlacedMask, type ShadeStep } from "#core/scene";
import { type Face, glyphMatrix } from "#core/words";

export interface SvgSheet {
  /** All that is printed, in mm. */
  readonly box: Rect;
  readonly title: string;
  readonly parts: readonly (Pick<FilePart, "place" | "clip"> & { readonly layers: readonly SvgLayer[] })[];
  /** An attribute of the drawing with what SVG cannot say. */
  readonly note?: { readonly attribute: string; readonly text: string } | undefined;
}

/** What is drawn for one tile, with the tile's own line; without one, what lies behind all tiles. */
export interface SvgLayer {
  readonly tile?: { readonly id: string; readonly name: string; readonly line: PathData } | undefined;
  readonly steps: readonly DrawStep[];
}

export interface SvgSupply {
  /** Where a photo's own file is put in, and how it has to be turned to be seen; nothing leaves it out. */
  photo(step: PhotoStep): { readonly slot: string; readonly toUnit: Matrix } | undefined;
  face(key: string): Face | undefined;
  /** A picture of one colour as clear as its mask says. */
  shade(step: ShadeStep): string | undefined;
  /** A mask as a picture in greys. */
  mask(soft: PlacedMask): string | undefined;
}

/**
 * A sheet as SVG 1.1, one unit a mm. Words are outlines, so that they look the same without their fonts, with what they say
 * as their label. Each `slot` stands once where the photo's data belongs.
 */
export function svgOf({ box, title, parts, note }: SvgSheet, supply: SvgSupply): string {
  const defs: string[] = [];
  const pictures = new Map<string, string>();
  const named: Named = {
    clip: (path, rule) => {
      const how = rule === "evenodd" ? ' clip-rule="evenodd"' : "";
      defs.push(`<clipPath id="c${defs.length + 1}"><path d="${path}"${how}/></clipPath>`);
      return `url(#c${defs.length})`;
    },
    shape: (path) => {
      defs.push(`<path id="c${defs.length + 1}" d="${path}"/>`);
      return `#c${defs.length}`;
    },
    picture: (slot) => {
      const known = pictures.get(slot);
      if (known) return known;
      defs.push(
        `<image id="c${defs.length + 1}" width="1" height="1" preserveAspectRatio="none" xlink:href="${slot}"/>`,
      );
      pictures.set(slot, `#c${defs.length}`);
      return `#c${defs.length}`;
    },
    mask: ({ x, y, w, h }, image) => {
      const area = `x="${num(x)}" y="${num(y)}" width="${num(w)}" height="${num(h)}"`;
      defs.push(`<mask id="c${defs.length + 1}" maskUnits="userSpaceOnUse" ${area}>${image}</mask>`);
      return `url(#c${defs.length})`;
    },
  };
  const layerSvg = ({ tile, steps }: SvgLayer): string => {
    const drawn = steps.map((s) => stepSvg(s, supply, named, isOneOfMany(s, steps))).join("\n");
    if (!tile) return `<g ${tileAttribute}="${groundTile}">${drawn}</g>`;
    const line = `<path ${lineAttribute}="" fill="none" d="${pathOf(tile.line)}"/>`;
    return `<g id="${escaped(tile.id)}" ${tileAttribute}="${escaped(tile.id)}"><title>${escaped(tile.name)}</title>${line}${drawn}</g>`;
  };
  const body = parts.map(({ layers, place, clip: r }) => {
    const inside = named.clip(`M${num(r.x)} ${num(r.y)}h${num(r.w)}v${num(r.h)}h${num(-r.w)}z`);
    const drawn = layers.map(layerSvg).join("\n");
    return `<g clip-path="${inside}"><g transform="${matrixOf(place)}">\n${drawn}\n</g></g>`;
  });
  const [w, h] = [num(box.w), num(box.h)];
  const noted = note ? ` ${note.attribute}="${escaped(note.text)}"` : "";
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="${w}mm" height="${h}mm" viewBox="${num(box.x)} ${num(box.y)} ${w} ${h}"${noted}>`,
    `<title>${escaped(title)}</title>`,
    `<defs>${defs.join("")}</defs>`,
    ...body,
    "</svg>\n",
  ].join("\n");
}

const fine = (v: number): string =>
  v
    .toFixed(7)
    .replace(/\.?0+$/, "")
    .replace(/^-0$/, "0");
const matrixOf = ({ a, b, c, d, e, f }: Matrix): string => `matrix(${[a, b, c, d, e, f].map(fine).join(" ")})`;

/** A path as the `d` of an SVG element: in mm, or in shares of a letter's size, which need more decimals. */
export const pathOf = (path: PathData, write = num): string => pathText(path, write);

/** What is defined once in a file and named where it is used. */
interface Named {
  clip(path: string, rule?: "evenodd"): string;
  mask(area: Rect, image: string): string;
  shape(path: string): string;
  picture(slot: string): string;
}

const placedImage = (soft: PlacedMask, href: string): string =>
  `<image width="1" height="1" preserveAspectRatio="none" transform="${matrixOf(maskMatrix(soft))}" xlink:href="${href}"/>`;

/** A picture that is drawn again and again stands once in the file. */
const isOneOfMany = (step: DrawStep, steps: readonly DrawStep[]): boolean =>
  step.draw === "photo" && steps.some((s) => s !== step && s.draw === "photo" && s.photoId === step.photoId);

function stepSvg(step: DrawStep, supply: SvgSupply, { clip, mask, shape, picture }: Named, again: boolean): string {
  switch (step.draw) {
    case "begin": {
      const { soft, reach, opacity } = step;
      const href = soft && supply.mask(soft);
      if (!soft || !href) return `<g opacity="${fine(opacity)}">`;
      return `<g opacity="${fine(opacity)}" mask="${mask(reach, placedImage(soft, href))}">`;
    }
    case "end":
      return "</g>";
    case "fill": {
      const alpha = step.alpha === undefined ? "" : ` fill-opacity="${fine(step.alpha)}"`;
      return `<path fill="${step.colour}" fill-rule="${step.rule}"${alpha} d="${pathOf(step.path)}"/>`;
    }
    case "paper": {
      const line = pathOf(step.clip);
      const shapes = step.fills.map(({ colour, path, at }) => {
        if (at.length === 1)
          return `<path fill="${colour}" transform="translate(${num(at[0]!.x)} ${num(at[0]!.y)})" d="${pathOf(path)}"/>`;
        const href = shape(pathOf(path));
        const uses = at.map((p) => `<use x="${num(p.x)}" y="${num(p.y)}" xlink:href="${href}"/>`);
        return `<g fill="${colour}">${uses.join("")}</g>`;
      });
      const ground = `<path fill="${step.ground}" d="${line}"/>`;
      return `${ground}<g clip-path="${clip(line)}"><g transform="${matrixOf(step.place)}">${shapes.join("")}</g></g>`;
    }
    case "shade": {
      const href = supply.shade(step);
      if (!href) return "";
      const inside = step.clip ? ` clip-path="${clip(pathOf(step.clip), "evenodd")}"` : "";
      return `<g opacity="${fine(step.alpha)}"${inside}>${placedImage(step.soft, href)}</g>`;
    }
    case "photo": {
      const photo = supply.photo(step);
      if (!photo) return "";
      const stands = matrixOf(multiply(step.matrix, photo.toUnit));
      const inside = clip(pathOf(step.clip));
      if (again) return `<g clip-path="${inside}"><use transform="${stands}" xlink:href="${picture(photo.slot)}"/></g>`;
      // One in another tone is not the photo as it was taken.
      const known = step.tone ? "" : ` ${photoAttribute}="${escaped(step.photoId)}"`;
      return `<g clip-path="${inside}"><image${known} width="1" height="1" preserveAspectRatio="none" transform="${stands}" xlink:href="${photo.slot}"/></g>`;
    }
    case "words": {
      const face = supply.face(step.face);
      if (!face) return "";
      const letters = step.glyphs.map((g) => {
        const path = face.outline(g.file, g.id);
        return path.length === 0
          ? ""
          : `<path transform="${matrixOf(glyphMatrix(g, step.sizeMm))}" d="${pathOf(path, fine)}"/>`;
      });
      const { outline } = step;
      // All lines lie beneath all letters, as on screen; a line is as wide in em as its letters are set.
      const line = outline
        ? `<g fill="none" stroke="${outline.colour}" stroke-width="${fine(outline.widthMm / step.sizeMm)}" stroke-linejoin="round">${letters.join("")}</g>`
        : "";
      const said = step.text === "" ? 'aria-hidden="true"' : `role="img" aria-label="${escaped(step.text)}"`;
      return `<g ${said} fill="${step.colour}" transform="${matrixOf(step.matrix)}">${line}${letters.join("")}</g>`;
    }
  }
}
