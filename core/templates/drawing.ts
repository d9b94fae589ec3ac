import { firstLight, noDress, piecesAsDrawn, tileLine, tileOfShape } from "#core/document";
import {
  type DrawnShape,
  type DrawnShapes,
  escaped,
  groundTile,
  pathText,
  type SvgElement,
  tileAttribute,
} from "#core/drawings";
import { allSides } from "#core/geometry";
import { drawnPage, placeColour, type Template, waitsFor } from "./template.ts";

/** Templates as SVG drawings, which vector programs can change, and back. */

const templateAttribute = "data-tessip-template";

const mm = (v: number): string => String(Math.round(v * 1e5) / 1e5);

/**
 * A template as SVG 1.1, one unit a mm: each tile a closed path with its name, and in `data-` attributes what SVG cannot say, so that what comes back
 * unchanged is the same template.
 */
export function drawingOfTemplate(t: Template): string {
  const [w, h] = [mm(t.page.widthMm), mm(t.page.heightMm)];
  const on = drawnPage(t);
  const shapes = on.tiles.map((tile, i) => {
    const colour = tile.filling.kind === "colour" ? tile.filling.colour : placeColour[waitsFor(tile) ?? "photo"];
    const line =
      tile.border.widthMm > 0 ? ` stroke="${tile.border.colour}" stroke-width="${mm(tile.border.widthMm)}"` : "";
    const seen = tile.tile.opacity === undefined ? "" : ` opacity="${mm(tile.tile.opacity)}"`;
    const title = `<title>${escaped(tile.tile.name ?? `${i + 1}`)}</title>`;
    return `<path id="${escaped(tile.id)}" ${tileAttribute}="${escaped(tile.id)}" fill="${colour}"${line}${seen} d="${pathText(tileLine(tile), mm)}">${title}</path>`;
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}" ${templateAttribute}="${escaped(JSON.stringify(t))}">`,
    `<title>${escaped(t.name)}</title>`,
    `<rect ${tileAttribute}="${groundTile}" width="${w}" height="${h}" fill="${t.look.background}"/>`,
    ...shapes,
    "</svg>\n",
  ].join("\n");
}

/**
 * A drawing as a template: what this program wrote comes back as it was; shapes that were moved, changed or added since lie freely where they are now, and
 * what was taken out is gone. Of any other drawing each closed shape is a tile; where all are filled, they are all places for photos. Nothing where it
 * has no shape.
 */
export function templateOfDrawing(
  root: SvgElement,
  drawing: DrawnShapes,
  given: {
    readonly name: string;
    readonly newId: () => string;
    /** Whether something from outside is a template, as `schema` says it. */
    readonly check: (data: unknown) => Template | undefined;
  },
): Template | undefined {
  const { name, newId, check } = given;
  const shapes = drawing.shapes.filter((s) => s.tileId !== groundTile);
  if (shapes.length === 0) return undefined;
  const ours = noted(root.attributes[templateAttribute], check);
  const made = ours ? changedBy(ours, shapes, newId) : ofShapes(drawing, shapes, name, newId);
  return check(made);
}

function noted(text: string | undefined, check: (data: unknown) => Template | undefined): Template | undefined {
  if (text === undefined) return undefined;
  try {
    return check(JSON.parse(text));
  } catch {
    return undefined;
  }
}

const changedBy = (t: Template, shapes: readonly DrawnShape[], newId: () => string): Template => ({
  ...t,
  pieces: piecesAsDrawn(t.pieces, drawnPage(t).tiles, shapes, { newId, bordersDrawn: true }),
});

function ofShapes(
  { widthMm, heightMm }: DrawnShapes,
  shapes: readonly DrawnShape[],
  name: string,
  newId: () => string,
): Template {
  const bare = shapes.every((s) => s.fill !== undefined);
  return {
    id: newId(),
    name,
    family: "",
    page: { widthMm, heightMm },
    look: { ...noDress, gapMm: 3, margin: allSides(0), background: "#ffffff", light: firstLight },
    pieces: shapes.flatMap((s) => tileOfShape(bare ? { ...s, fill: undefined } : s, newId) ?? []),
  };
}
