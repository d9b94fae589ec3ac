import { useMemo } from "react";
import { useStore } from "zustand";
import { leavesBefore, type Project, photosOf } from "#core/document";
import { useMaybeSession } from "./hooks.ts";
import type { ProjectSession } from "./project-session.ts";

/** On which pages (from 1) each photo of a project lies. */
export function pagesOfPhotos(project: Project): ReadonlyMap<string, readonly number[]> {
  const found = new Map<string, number[]>();
  const before = leavesBefore(project.pages);
  for (const [i, page] of project.pages.entries())
    for (const id of photosOf(page)) {
      const pages = found.get(id);
      if (pages) pages.push(before[i]! + 1);
      else found.set(id, [before[i]! + 1]);
    }
  return found;
}

const nowhere: ReadonlyMap<string, readonly number[]> = new Map();
const noProject = {
  subscribe: () => () => {},
  getState: () => undefined,
  getInitialState: () => undefined,
} as unknown as ProjectSession["state"];

/** The same for the open project; empty where none is open. */
export function usePlaced(): ReadonlyMap<string, readonly number[]> {
  const session = useMaybeSession();
  const project = useStore(session?.state ?? noProject, (s): Project | undefined => s?.project);
  return useMemo(() => (project ? pagesOfPhotos(project) : nowhere), [project]);
}
