import { Button, Flex } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useEffect, useMemo, useRef, useState } from "react";
import { Navigate, Outlet, useMatch, useParams } from "react-router";
import { useStore } from "zustand";
import { coverParts } from "#core/document";
import { storyFlows } from "#core/edit";
import { formatLength } from "#core/units";
import { type StoreTrouble, storeErrorFrom } from "../storage/store.ts";
import { book, common, keeping as words } from "../text/index.ts";
import { Header } from "./components/header.tsx";
import { NotesAside, notesPx } from "./components/notes/notes-aside.tsx";
import { WorkFault } from "./components/project/project-fault.tsx";
import { Strip } from "./components/strip.tsx";
import { TabTitle } from "./components/tab-title.tsx";
import { notices } from "./notices/notices.ts";
import { useServices } from "./services.ts";
import { CheckerContext } from "./state/checking/check-hooks.ts";
import { Checker } from "./state/checking/checker.ts";
import { notesOf } from "./state/notes/notes-shelf.ts";
import { fetchLabs, labsKey } from "./state/sending/use-labs.ts";
import { holdProject } from "./state/session/hold-project.ts";
import { SessionContext, useSession, useViewState } from "./state/session/hooks.ts";
import { ProjectSession } from "./state/session/project-session.ts";
import { projectsChanged } from "./state/session/use-projects.ts";
import { nothingChosen } from "./state/view-state/choose.ts";
import { noNotesShown } from "./state/view-state/view-state.ts";

type Opening =
  | { readonly is: "opening" }
  | { readonly is: "shut"; readonly why: StoreTrouble | "missing" }
  | { readonly is: "open"; readonly session: ProjectSession };

/** Opens the project that the address names, and keeps other tabs from changing it meanwhile. */
export function OpenProject() {
  const { projectId = "" } = useParams();
  const { store, now, newId, viewState, fonts } = useServices();
  const queries = useQueryClient();
  // Among the pages they lie over the panel, which is as wide.
  const amongPages = useMatch("/work/:projectId/pages");
  const beside = useViewState((s) => s.notes.open) && !amongPages;
  const [opening, setOpening] = useState<Opening>({ is: "opening" });

  useEffect(() => {
    let left = false;
    let session: ProjectSession | undefined;
    viewState.setState((s) => ({
      photos: s.carried ? s.photos : nothingChosen,
      carried: false,
      tiles: nothingChosen,
      reframing: undefined,
      drawer: "photos",
      notes: { ...noNotesShown, open: s.notes.open },
    }));
    const hold = holdProject(projectId, (mine) => {
      // What another tab did meanwhile has to be read again before this one may go on.
      if (mine || !session) void reopen();
      else session.setReadOnly(true);
    });
    async function reopen() {
      const opened = await store.openProject(projectId).catch((e: unknown) => storeErrorFrom(e).code);
      if (left) return;
      if (opened === undefined || typeof opened === "string") {
        setOpening({ is: "shut", why: opened ?? "missing" });
        return;
      }
      const onRefused = () => notices.create({ title: words.onlyLooking, type: "info" });
      const onCut = () => notices.create({ title: words.historyCut, type: "info" });
      if (opened.migrated && !session) notices.create({ title: words.historyRenewed, type: "info", duration: 20_000 });
      else if (opened.historyCut) onCut();
      session = new ProjectSession(opened, { store, now, onRefused, onCut, follow: storyFlows(fonts) });
      session.setReadOnly(!hold.mine);
      setOpening({ is: "open", session });
      await notesOf({ store, newId, now }).open(opened.project);
    }
    if (hold.mine) void reopen();
    return () => {
      left = true;
      void session?.settled().then(() => {
        hold.letGo();
        void projectsChanged(queries);
      });
      if (!session) hold.letGo();
    };
  }, [fonts, projectId, store, now, newId, viewState, queries]);

  if (opening.is === "opening") return null;
  if (opening.is === "shut") return <WorkFault projectId={projectId} why={opening.why} />;
  return (
    <SessionContext.Provider value={opening.session}>
      <Checked session={opening.session}>
        <ProjectTitle session={opening.session} />
        <Header />
        <CoverNotice session={opening.session} />
        <Troubles session={opening.session} projectId={projectId} />
        <Flex direction="column" position="relative" flex="1" minH="0" pr={beside ? `${notesPx}px` : "0"}>
          <Outlet />
          <NotesAside />
        </Flex>
      </Checked>
    </SessionContext.Provider>
  );
}

/** Where work on a project goes on, when the address names no place in it. */
export function FirstScreen() {
  const { kind } = useSession().state.getState().project;
  return <Navigate to={kind === "prints" ? "prints" : "pages"} replace />;
}

function ProjectTitle({ session }: { readonly session: ProjectSession }) {
  return <TabTitle project={useStore(session.state, (s) => s.project.name)} />;
}

/** The print check looks on for as long as the project is open. */
function Checked({ session, children }: { readonly session: ProjectSession; readonly children: ReactNode }) {
  const services = useServices();
  const queries = useQueryClient();
  const checker = useMemo(
    () =>
      new Checker(session, {
        ...services,
        line: services.checking,
        labCards: () =>
          queries.fetchQuery({
            queryKey: labsKey,
            queryFn: () => fetchLabs(services.store),
            staleTime: Number.POSITIVE_INFINITY,
          }),
      }),
    [session, services, queries],
  );
  useEffect(() => checker.start(), [checker]);
  return (
    <CheckerContext.Provider value={checker}>
      <Flex direction="column" h="full">
        {children}
      </Flex>
    </CheckerContext.Provider>
  );
}

/** Says when the spine became wider or narrower, since the whole cover moves with it. */
function CoverNotice({ session }: { readonly session: ProjectSession }) {
  const spine = useStore(session.state, (s) => (s.project.cover ? coverParts(s.project)?.spineMm : undefined));
  const was = useRef(spine);
  useEffect(() => {
    const before = was.current;
    was.current = spine;
    if (spine === undefined || before === undefined || spine === before) return;
    const { unit, format } = session.state.getState().project;
    const length = (mm: number) => formatLength(mm, unit, format.ppi);
    notices.create({ title: book.spineMoved(length(before), length(spine)), type: "info" });
  }, [spine, session]);
  return null;
}

function Troubles({ session, projectId }: { readonly session: ProjectSession; readonly projectId: string }) {
  const failed = useStore(session.state, (s) => (s.keeping.is === "failed" ? s.keeping.code : undefined));
  const readOnly = useStore(session.state, (s) => s.readOnly);
  useEffect(() => {
    const leaving = (e: BeforeUnloadEvent) => {
      if (session.state.getState().keeping.is !== "kept") e.preventDefault();
    };
    addEventListener("beforeunload", leaving);
    return () => removeEventListener("beforeunload", leaving);
  }, [session]);
  return (
    <>
      {readOnly && (
        <Strip
          tone="warn"
          action={
            <Button size="sm" variant="outline" onClick={() => holdProject.takeOver(projectId)}>
              {words.takeOver}
            </Button>
          }
        >
          {words.elsewhere}
        </Strip>
      )}
      {failed && (
        <Strip
          tone="bad"
          action={
            <Button size="sm" variant="outline" onClick={() => void session.tryAgain()}>
              {common.tryAgain}
            </Button>
          }
        >
          {words.failed[failed]}
        </Strip>
      )}
    </>
  );
}
