import { safeBox } from "#core/lab";
import { mmOfPt, spanWords } from "#core/words";
import { pocketLines } from "../arranging/pocket-pages.ts";
import { drawnTile } from "../page/drawn-tile.ts";
import { lookOf } from "../page/look.ts";
import { arrangedTiles, type Page, photoIdOf, type Words } from "../page/page.ts";
import type { PlacedPage, PlacedTile } from "../page/place-page.ts";
import { firstOnRight, formatOf, pagesBefore, placed, sideAt } from "./book.ts";
import { spineTiles } from "./cover.ts";
import type { Project } from "./project.ts";

type TakenOf = (photoId: string) => string | undefined;

/** A page as it is drawn: with its number and what runs beside it; the cover with its spine; pockets with their lines. */
export function drawnPage(project: Project, page: Page, takenOf: TakenOf): PlacedPage {
  const on = placed(project, page);
  const more = runningTiles(project, on, takenOf);
  return more.length === 0 ? on : { ...on, tiles: [...on.tiles, ...more] };
}

function runningTiles(project: Project, on: PlacedPage, takenOf: TakenOf): readonly PlacedTile[] {
  if (project.cover?.id === on.id) return spineTiles(project);
  if (project.pockets?.welds && on.groups.some((g) => g.group.arrangement.kind === "pockets")) return pocketLines(on);
  return pageNumberTiles(project, on.page, takenOf);
}

/** The foot of each leaf of a page, in mm: in the middle of the margin where there is one, never outside of what is safe. */
function pageNumberTiles(project: Project, page: Page, takenOf: TakenOf): PlacedTile[] {
  const numbers = project.book?.numbers;
  const i = project.pages.findIndex((p) => p.id === page.id);
  if (!numbers?.shown || page.plain || page.blank || i < 0) return [];
  const first = pagesBefore(project.pages)[i]!;
  const format = formatOf(project, page);
  const safe = safeBox(format);
  const leaf = project.format.widthMm;
  const lineMm = 1.5 * mmOfPt(numbers.style.sizePt);
  const foot = safe.y + safe.h - lineMm / 2;
  const middle = project.format.heightMm - Math.max(lookOf(page, project.style).margin.bottom, 0) / 2;
  const y = Math.min(foot, Math.max(middle, foot - lineMm));
  const beside = besideWords(project, page, takenOf);
  return Array.from({ length: page.span }, (_, k) => {
    const side = sideAt(first + k, firstOnRight(project));
    const number = String(first + k + 1);
    const outerLeft = side === "left";
    const atLeft = numbers.place === "outer" ? outerLeft : !outerLeft;
    const parts = beside === "" ? [number] : atLeft || numbers.place === "middle" ? [number, beside] : [beside, number];
    const words: Words = {
      kind: "words",
      text: parts.join("   "),
      style: { ...numbers.style, align: numbers.place === "middle" ? "centre" : atLeft ? "left" : "right" },
      role: "caption",
      from: null,
      card: null,
    };
    const from = Math.max(safe.x, k * leaf + project.format.safeMm);
    const to = Math.min(safe.x + safe.w, (k + 1) * leaf - (k + 1 < page.span ? project.format.safeMm : 0));
    return drawnTile(
      `running-${k}`,
      { centre: { x: (from + to) / 2, y }, width: to - from, height: lineMm, turn: 0 },
      words,
    );
  });
}

function besideWords(project: Project, page: Page, takenOf: TakenOf): string {
  const running = project.book?.numbers.running ?? "nothing";
  if (running === "name") return project.name;
  if (running === "nothing") return "";
  const days = arrangedTiles(page)
    .flatMap((t) => takenOf(photoIdOf(t) ?? "") ?? [])
    .sort();
  return days.length === 0 ? "" : spanWords(days[0]!, days.at(-1)!, project.language);
}

/** How much margin the foot of a page needs, so that its number stands clear of what lies on the page. */
export function footFor(project: Project): number {
  const pt = project.book?.numbers.style.sizePt ?? 8;
  return Math.ceil((project.format.safeMm + 1.5 * mmOfPt(pt) + 1.5) * 2) / 2;
}
