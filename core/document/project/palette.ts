import { recoloured } from "#core/artwork";
import type { Change } from "../changes/change.ts";
import { recolouredFilling } from "../fillings/index.ts";
import { allTiles, type Page } from "../page/page.ts";
import { everyPage, type Project } from "./project.ts";

/** What takes its colours from the work's palette, in the palette as it is now. */
export function inPalette(project: Project): readonly Change[] {
  const { palette, style } = project;
  const paper = style.paper && recoloured(style.paper, palette);
  return [
    ...(paper === style.paper ? [] : [{ type: "setProject", style: { ...style, paper } } as const]),
    ...everyPage(project).flatMap((page) => pageInPalette(page, project)),
  ];
}

function pageInPalette(page: Page, { palette }: Project): readonly Change[] {
  const paper = page.paper && recoloured(page.paper, palette);
  const items = allTiles(page).flatMap(({ id, filling: was }) => {
    const filling = recolouredFilling(was, palette);
    return filling === was ? [] : [{ id, set: { filling } }];
  });
  return [
    ...(paper && paper !== page.paper ? [{ type: "setPages", items: [{ id: page.id, set: { paper } }] } as const] : []),
    ...(items.length > 0 ? [{ type: "setTiles", pageId: page.id, items } as const] : []),
  ];
}
