import { Box, Flex } from "@chakra-ui/react";
import { lazy, Suspense, useEffect } from "react";
import { Outlet, useMatch } from "react-router";
import { StoreError } from "../storage/store.ts";
import { keeping as words } from "../text/index.ts";
import { DropAnywhere } from "./components/drop-anywhere.tsx";
import { Header } from "./components/header.tsx";
import { KeptStrips } from "./components/kept-strips.tsx";
import { useLongPress } from "./components/long-press.ts";
import { Strip } from "./components/strip.tsx";
import { TabTitle } from "./components/tab-title.tsx";
import { notices } from "./notices/notices.ts";
import { useServices } from "./services.ts";
import { useViewState } from "./state/session/hooks.ts";

const CameBackQuestion = lazy(() =>
  import("./components/notes/came-back.tsx").then((m) => ({ default: m.CameBackQuestion })),
);

/** The slim header and the screen under it; photos can be dropped on all of it. */
export function Frame() {
  const { store, library } = useServices();
  const came = useViewState((s) => s.cameBack);
  useLongPress();
  // A project brings its own header, which speaks of the project.
  const inProject = useMatch("/work/:projectId/*");
  useEffect(() => {
    // Whatever was to be kept and was not is said, wherever it was begun.
    const said = (e: PromiseRejectionEvent) => {
      if (!(e.reason instanceof StoreError)) return;
      notices.create({ title: words.failed[e.reason.code], type: "error", duration: 30_000 });
      e.preventDefault();
    };
    const leaving = (e: BeforeUnloadEvent) => {
      const { incoming, photos } = library.state.getState();
      if (incoming || (!store.lasting && photos.length > 0)) e.preventDefault();
    };
    addEventListener("unhandledrejection", said);
    addEventListener("beforeunload", leaving);
    return () => {
      removeEventListener("unhandledrejection", said);
      removeEventListener("beforeunload", leaving);
    };
  }, [library, store]);
  return (
    <Flex direction="column" h="full" bg="bg">
      {!inProject && <TabTitle />}
      {!inProject && <Header />}
      {!store.lasting && <Strip tone="warn">{words.notLasting}</Strip>}
      <KeptStrips />
      <Box flex="1" minH="0">
        <Outlet />
      </Box>
      <DropAnywhere />
      {came && (
        <Suspense>
          <CameBackQuestion came={came} />
        </Suspense>
      )}
    </Flex>
  );
}
