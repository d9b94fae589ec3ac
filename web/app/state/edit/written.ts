import { replacedIn, type Written } from "#core/edit";
import type { Mention } from "#core/words";
import type { Services } from "../../services.ts";
import type { ProjectSession } from "../session/project-session.ts";

/** Writes these places otherwise: words of the project as one step of it, captions as one of the photos. Says how many were written. */
export async function replaceWords(
  { library }: Pick<Services, "library">,
  session: ProjectSession,
  written: readonly Written[],
  mentions: readonly Mention[],
  by: string,
): Promise<number> {
  const { changes, captions, count } = replacedIn(session.state.getState().project, written, mentions, by);
  if (changes.length > 0 && !session.commit({ code: "replacedWords", count }, changes).ok) return 0;
  if (captions.size > 0)
    await library.edit("captioned", [...captions.keys()], (p) => ({ ...p, caption: captions.get(p.id) ?? p.caption }));
  return count;
}
