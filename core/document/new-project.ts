import { allSides } from "#core/geometry";
import type { LabCard, PageFormat } from "#core/lab";
import type { Unit } from "#core/units";
import type { Look } from "./page.ts";
import type { Project } from "./project.ts";

/** Gap and margin in proportion to the page, to the half millimetre: 3 and 6 mm on a page of 12 inches. */
export function newStyle(format: PageFormat): Look {
  const side = Math.sqrt(format.widthMm * format.heightMm);
  const gapMm = Math.max(1, Math.round(side / 50) / 2);
  return {
    gapMm,
    margin: allSides(Math.max(2 * gapMm, format.safeMm)),
    cornerMm: 0,
    border: { widthMm: 0, colour: "#ffffff" },
    background: "#ffffff",
  };
}

export function newProject(
  what: { readonly name: string; readonly unit: Unit; readonly lab: LabCard | null; readonly format: PageFormat },
  given: { readonly newId: () => string; readonly at: string },
): Project {
  const style = newStyle(what.format);
  return {
    schema: 1,
    id: given.newId(),
    kind: "collage",
    ...what,
    style,
    pages: [{ id: given.newId(), look: style, tiles: [], arrangement: null }],
    createdAt: given.at,
  };
}
