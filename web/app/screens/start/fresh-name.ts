import type { Project } from "#core/document";
import type { ProjectCard } from "../../../storage/store.ts";
import { start as words } from "../../../text/index.ts";

/** A name for a new project that none of those there has. */
export function freshName(kind: Project["kind"], made: readonly ProjectCard[]): string {
  const taken = new Set(made.map((m) => m.project.name));
  let n = 1;
  while (taken.has(words.newName(kind, n))) n += 1;
  return words.newName(kind, n);
}
