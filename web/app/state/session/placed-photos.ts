import { useDeferredValue, useMemo } from "react";
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

/** The same a moment after the project changed, when there is time for it. */
export function usePlacedLater(): Placed {
  const project = useDeferredValue(useMaybeProject());
  return useMemo(() => (project ? pagesOfPhotos(project) : nowhere), [project]);
}

function useMaybeProject(): Project | undefined {
  const session = useMaybeSession();
  return useStore(session?.state ?? noProject, (s): Project | undefined => s?.project);
}
