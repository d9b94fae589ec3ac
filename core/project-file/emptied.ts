import { emptiedFilling, freeTiles, mapTiles, type Page, type Project, withoutPieces } from "#core/document";

/** Last year's work to begin this year's from: its pages with their places bare, and no words that spoke of its photos. */
export function emptied(project: Project): Project {
  const page = (p: Page): Page => {
    const bare = mapTiles(p, (t) => {
      const filling = emptiedFilling(t.filling);
      if (filling === t.filling) return t;
      const { lock: _, ...free } = t;
      return { ...free, filling } as typeof t;
    });
    const gone = freeTiles(bare).filter((t) => t.filling.kind === "empty");
    const { backdrop: _, ...rest } = withoutPieces(
      bare,
      gone.map((t) => t.id),
    );
    return { ...rest, paced: false };
  };
  return {
    ...project,
    style: { ...project.style, backdrop: null },
    pages: project.pages.map(page),
    cover: project.cover && page(project.cover),
    sheets: null,
  };
}
