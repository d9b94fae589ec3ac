import { useDeferredValue, useMemo, useRef } from "react";
import { useStore } from "zustand";
import { type Project, pagesBefore, photosOf } from "#core/document";
import { useMaybeSession } from "./hooks.ts";
import type { ProjectSession } from "./project-session.ts";

/** On which pages (from 1) each photo lies. */
export type Placed = ReadonlyMap<string, readonly number[]>;

export function pagesOfPhotos(project: Project): Placed {
  const found = new Map<string, number[]>();
  const before = pagesBefore(project.pages);
  for (const [i, page] of project.pages.entries())
    for (const id of photosOf(page, project.style)) {
      const pages = found.get(id);
      if (pages) pages.push(before[i]! + 1);
      else found.set(id, [before[i]! + 1]);
    }
  return found;
}

const nowhere: Placed = new Map();
const noProject = {
  subscribe: () => () => {},
  getState: () => undefined,
  getInitialState: () => undefined,
} as unknown as ProjectSession["state"];

/** The same for the open project; empty where none is open. */
export function usePlaced(): Placed {
  const project = useMaybeProject();
  return useMemo(() => (project ? pagesOfPhotos(project) : nowhere), [project]);
}

/** The same a moment after the project changed, when there is time for it; the same object while no photo comes, goes or moves to another page. */
export function usePlacedLater(): Placed {
  const project = useDeferredValue(useMaybeProject());
  const last = useRef(nowhere);
  return useMemo(() => {
    const found = project ? pagesOfPhotos(project) : nowhere;
    if (!areSame(found, last.current)) last.current = found;
    return last.current;
  }, [project]);
}

const areSame = (a: Placed, b: Placed): boolean =>
  a.size === b.size && [...a].every(([id, pages]) => pages.join() === b.get(id)?.join());

function useMaybeProject(): Project | undefined {
  const session = useMaybeSession();
  return useStore(session?.state ?? noProject, (s): Project | undefined => s?.project);
}
