import { createContext, useContext, useDeferredValue, useEffect, useReducer, useRef } from "react";
import { createStore, type StoreApi, useStore } from "zustand";
import { type Page, type PlacedPage, type Project, placed } from "#core/document";
import { useServices } from "../../services.ts";
import type { LibraryState } from "../library/library-state.ts";
import type { ViewState } from "../view-state/view-state.ts";
import { type ProjectSession, type ProjectState, pageIn } from "./project-session.ts";

export const useLibrary = <T>(pick: (s: LibraryState) => T): T => useStore(useServices().library.state, pick);
export const useViewState = <T>(pick: (s: ViewState) => T): T => useStore(useServices().viewState, pick);

export const SessionContext = createContext<ProjectSession | undefined>(undefined);

/** The open project's session, where there is one. */
export const useMaybeSession = (): ProjectSession | undefined => useContext(SessionContext);

export function useSession(): ProjectSession {
  const session = useContext(SessionContext);
  if (!session) throw new Error("useSession outside of an open project");
  return session;
}

const noProject = createStore(() => undefined);
/** What dates of the open project are written in; nothing where none is open. */
export function useLanguage(): string | undefined {
  const session = useMaybeSession();
  return useStore<StoreApi<ProjectState | undefined>, string | undefined>(
    session?.state ?? noProject,
    (s) => s?.project.language,
  );
}

export const useProject = <T>(pick: (s: ProjectState) => T): T => useStore(useSession().state, pick);

/** The project as the panel shows it: after another page was opened, a moment behind, so that the page comes first. */
export const PanelContext = createContext<ProjectState | undefined>(undefined);

export function usePanel<T>(pick: (s: ProjectState) => T): T {
  const state = useContext(PanelContext);
  if (!state) throw new Error("usePanel outside of the panel");
  return pick(state);
}

/** How many photos there are to be seen: what is hidden is not counted. */
export const countShown = (s: LibraryState): number => s.photos.reduce((n, p) => n + (p.hidden ? 0 : 1), 0);

/** What is kept of the project, and which page is open: the same object while a gesture goes on. */
export function usePanelState(): ProjectState {
  const { state } = useSession();
  const keptAt = useRef(state.getState());
  const kept = useStore(state, (now) => {
    if (keptAt.current.project !== now.project || keptAt.current.pageId !== now.pageId) keptAt.current = now;
    return keptAt.current;
  });
  const later = useDeferredValue(kept);
  return later.pageId === kept.pageId ? kept : later;
}

const pauseMs = 250;

/** The value as it was when `hold` began, until nothing changed it for a moment; the latest otherwise. What is typed comes before what tells about it. */
export function useHeld<T>(value: T, hold: boolean): T {
  const held = useRef(value);
  const [, show] = useReducer((n: number) => n + 1, 0);
  if (!hold) held.current = value;
  useEffect(() => {
    if (held.current === value) return;
    const later = setTimeout(() => {
      held.current = value;
      show();
    }, pauseMs);
    return () => clearTimeout(later);
  }, [value]);
  return held.current;
}

export { openPlaced } from "./project-session.ts";

/** What is on screen: the gesture that is going on, or the project as it stands. */
export const shown = (s: ProjectState): Project => s.draft ?? s.project;
export const shownPage = (s: ProjectState): Page => pageIn(shown(s), s.pageId);
export const shownPlaced = (s: ProjectState): PlacedPage => placed(shown(s), shownPage(s));

/** What is on screen, for whatever tells about it: while a hand moves or writes, as it was until that pauses, so that nothing keeps the hand waiting. */
export function useRestingPage(): PlacedPage {
  const moving = useProject((s) => s.draft !== undefined);
  const writing = useViewState((s) => s.writing !== undefined);
  return useDeferredValue(useHeld(useProject(shownPlaced), moving || writing));
}
