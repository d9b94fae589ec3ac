import { Box, chakra } from "@chakra-ui/react";
import { useMemo } from "react";
import { drawnPage, openingOf, type PlacedPage, pagesOf, placed } from "#core/document";
import { book as words } from "../../../text/index.ts";
import { SeenPage } from "../../components/clipped-page.tsx";
import { useServices } from "../../services.ts";
import { openThe } from "../../state/edit/page-list.ts";
import { useFacts } from "../../state/session/facts.ts";
import { useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import type { ProjectState } from "../../state/session/project-session.ts";
import { CutLines } from "./cut-lines.tsx";
import type { PageView } from "./page-view.ts";

export interface Facing {
  readonly page: PlacedPage;
  /** Where it lies, seen from the open page. */
  readonly on: "left" | "right";
}

/** The page that faces the open one, as it is kept; the same object while only the open one changes. */
export function useFacing(): Facing | undefined {
  const page = useProject(facingPage);
  const on = useProject((s) => (openingOf(s.project, s.pageId)?.left?.id === s.pageId ? "right" : "left"));
  return useMemo(() => page && { page, on }, [page, on]);
}

function facingPage({ project, pageId }: ProjectState): PlacedPage | undefined {
  const opening = openingOf(project, pageId);
  const page = opening && pagesOf(opening).find((p) => p.id !== pageId);
  return page && placed(project, page);
}

/** It is seen beside the open page, and opened by a click. */
export function FacingPage({ facing, view }: { readonly facing: Facing; readonly view: PageView }) {
  const services = useServices();
  const session = useSession();
  const cutLines = useViewState((s) => s.cutLines);
  const taking = useViewState((s) => s.drop.meaning.does === "face");
  const { page, on } = facing;
  const project = useProject((s) => s.project);
  const facts = useFacts();
  const drawn = useMemo(() => drawnPage(project, page.page, (id) => facts.photo(id)?.takenAt), [project, page, facts]);
  return (
    <chakra.button
      type="button"
      aria-label={words.openFacing(on)}
      title={words.openFacing(on)}
      onClick={() => openThe(services, session, page.page)}
      position="absolute"
      cursor="pointer"
      boxShadow="paper"
      data-facing={page.id}
      style={{ left: view.leftPx, top: view.topPx, width: view.box.w * view.scale, height: view.box.h * view.scale }}
      _hover={{ "&::after": { bg: "rgba(244,239,230,.08)" } }}
      _after={{ content: '""', position: "absolute", inset: "0", bg: "rgba(244,239,230,.30)" }}
    >
      <SeenPage page={drawn} scale={view.scale} box={view.box} seen={view.seen} />
      {cutLines && <CutLines view={view} format={page.format} />}
      {taking && (
        <Box position="absolute" inset="0" boxShadow="inset 0 0 0 4px {colors.glaze.500}" pointerEvents="none" />
      )}
    </chakra.button>
  );
}
