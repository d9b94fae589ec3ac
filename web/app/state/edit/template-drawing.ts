import { shapesOfSvg } from "#core/drawings";
import { ok, type Result, refused } from "#core/result";
import { type Template, templateOfDrawing } from "#core/templates";
import { checkTemplate } from "#core/templates/schema";
import { browserColour, readDrawing, UnreadableSvg } from "../../../pictures/read-svg.ts";

/** The shapes of a drawing as one template, with its file's name where it has none of ours. Apart from the shelf of templates, since few ever need it. */
export async function drawnTemplate(
  file: File,
  newId: () => string,
): Promise<Result<readonly Template[], "tooLarge" | "noShapes">> {
  try {
    const { root } = await readDrawing(file);
    const name = file.name.replace(/\.svg$/i, "").slice(0, 80);
    const made = templateOfDrawing(root, shapesOfSvg(root, browserColour()), { name, newId, check: checkTemplate });
    return made ? ok([made]) : refused("noShapes");
  } catch (e) {
    return refused(e instanceof UnreadableSvg && e.code !== "svgDamaged" ? "tooLarge" : "noShapes");
  }
}
