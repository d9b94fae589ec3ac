import {
  type Change,
  checkLook,
  everyPage,
  footFor,
  formatOf,
  type Look,
  lookChange,
  lookOf,
  type Page,
  type Project,
} from "#core/document";

/** How pages look, all at once. */

/** Changes, and how many pages had no room for them and stay as they are. */
export interface Dressed {
  readonly changes: readonly Change[];
  readonly count: number;
  readonly left: number;
}

const hasRoom = (project: Project, page: Page, look: Look): boolean =>
  checkLook(look, formatOf(project, page), page).ok;

/** Every page looks so, as far as its tiles have room in it, and so will new ones. */
export function lookOnEvery(project: Project, look: Look): Dressed {
  const fits = new Set(project.pages.filter((p) => hasRoom(project, p, look)));
  // What has no room for it goes on looking as it does, and so does the cover.
  const changes = everyPage(project).map((p) => lookChange(p, fits.has(p) ? look : lookOf(p, project.style), look));
  return {
    changes: [{ type: "setProject", style: look }, ...changes],
    count: fits.size,
    left: project.pages.length - fits.size,
  };
}

/** These pages look so, as far as their tiles have room in it. */
export function lookOnThese(project: Project, pages: readonly Page[], look: Look): Dressed {
  const fits = pages.filter((p) => hasRoom(project, p, look));
  const changes = fits.map((p) => lookChange(p, look, project.style));
  return { changes, count: fits.length, left: pages.length - fits.length };
}

/** A look for the page that faces one. */
export const mirroredLook = (look: Look): Look => ({
  ...look,
  margin: { ...look.margin, left: look.margin.right, right: look.margin.left },
});

/** Page numbers on or off; shown, every margin at the foot becomes high enough for them, where there is one. */
export function numbersShown(project: Project, shown: boolean): readonly Change[] {
  if (!project.book) return [];
  const foot = footFor(project);
  const raised = (look: Look): Look => ({ ...look, margin: { ...look.margin, bottom: foot } });
  const low = (look: Look) => shown && look.margin.bottom > 0 && look.margin.bottom < foot;
  const style = low(project.style) ? raised(project.style) : project.style;
  const looks = project.pages.flatMap((p): Change[] => {
    const look = lookOf(p, project.style);
    if (!low(look)) return [];
    // A page that does not rise with the others says so itself.
    const rises = !p.plain && hasRoom(project, p, raised(look));
    return [lookChange(p, rises ? raised(look) : look, style)];
  });
  const book = { ...project.book, numbers: { ...project.book.numbers, shown } };
  return [{ type: "setProject", book, style }, ...looks];
}
