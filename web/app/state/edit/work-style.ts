import { allTiles, type Change, type Project } from "#core/document";
import type { ProjectSession } from "../session/project-session.ts";

export type SavedStyle = Project["styles"][number];
export type FontRole = keyof Project["words"];

/** As many as a work is read back with. */
export const mostStyles = 40;

/** How all pages of a work look, its palette and the looks of its words, for another work or for later. */
export const styleOf = ({ style, palette, words }: Project): Omit<SavedStyle, "name"> => ({ style, palette, words });

/** What lies behind the pages here stays. */
const styleTaken = ({ style, palette, words }: Omit<SavedStyle, "name">, here: Project): Change => ({
  type: "setProject",
  style: { ...style, backdrop: here.style.backdrop },
  palette,
  words,
});

/** Whether there was room for it on every page. */
export const takeStyle = (session: ProjectSession, from: Omit<SavedStyle, "name">): boolean =>
  session.commit({ code: "tookStyle", count: 1 }, [styleTaken(from, session.state.getState().project)]).ok;

/** Keeps how all pages look under a name, in place of a style of the same name; whether there was room for it. */
export function keepStyle(session: ProjectSession, name: string): boolean {
  const { project } = session.state.getState();
  const others = project.styles.filter((s) => s.name !== name);
  if (others.length >= mostStyles) return false;
  const { style, palette, words } = styleOf(project);
  const kept: SavedStyle = { name, style: { ...style, backdrop: null }, palette, words };
  session.commit({ code: "keptStyle", count: 1 }, [{ type: "setProject", styles: [...others, kept] }]);
  return true;
}

export function dropStyle(session: ProjectSession, name: string): void {
  const { styles } = session.state.getState().project;
  session.commit({ code: "droppedStyle", count: 1 }, [
    { type: "setProject", styles: styles.filter((s) => s.name !== name) },
  ]);
}

/** The font of new words of one kind, and of all that have the font that these had. */
export const setFont = (session: ProjectSession, role: FontRole, font: string): void =>
  setFonts(session, { [role]: font });

/** One font for what stands over others, and one for what is read. */
export const setFontPair = (session: ProjectSession, title: string, text: string): void =>
  setFonts(session, { title, heading: title, caption: text, journal: text, small: text });

function setFonts(session: ProjectSession, fonts: Partial<Record<FontRole, string>>): void {
  const { project } = session.state.getState();
  const words = Object.fromEntries(
    Object.entries(project.words).map(([role, style]) => [
      role,
      { ...style, font: fonts[role as FontRole] ?? style.font },
    ]),
  ) as Project["words"];
  const pages = [...project.pages, ...(project.cover ? [project.cover] : [])];
  const follow = pages.flatMap((page): Change[] => {
    const items = allTiles(page).flatMap(({ id, filling }) => {
      if (filling.kind !== "words") return [];
      const { role, style } = filling;
      const { font } = words[role];
      return style.font === project.words[role].font && style.font !== font
        ? [{ id, set: { filling: { ...filling, style: { ...style, font } } } }]
        : [];
    });
    return items.length > 0 ? [{ type: "setTiles", pageId: page.id, items }] : [];
  });
  session.commit({ code: "changedFonts", count: 1 }, [{ type: "setProject", words }, ...follow]);
}
