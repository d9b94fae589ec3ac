import { Box, chakra, HStack } from "@chakra-ui/react";
import { lazy, Suspense, useEffect, useState } from "react";
import { useLocation, useParams } from "react-router";
import { useStore } from "zustand";
import {
  arrangedTiles,
  freeTiles,
  mostNameLength,
  nextRedo,
  nextUndo,
  type Page,
  pageCount,
  type StepName,
  waitsForPhoto,
} from "#core/document";
import { printBill } from "#core/edit";
import { stepWords, walk } from "../../../text/index.ts";
import { countShown, useLibrary } from "../../state/session/hooks.ts";
import { isSent, type ProjectSession, type ProjectState } from "../../state/session/project-session.ts";
import { Changeable } from "../changeable.tsx";
import { KeptButton } from "../kept-button.tsx";
import { KeysSheet } from "../keys-sheet.tsx";
import { NotesButton } from "../notes/notes-button.tsx";
import { Station } from "../station.tsx";
import { LibraryUndo, UndoPair } from "../undo-pair.tsx";
import { WorkMenu } from "./project-menu.tsx";

// What the check needs comes after the page is seen.
const CheckStation = lazy(() => import("../check-station.tsx").then((m) => ({ default: m.CheckStation })));

/** The walk through the open work, and its state at once. */
export function ProjectHeader({ session }: { readonly session: ProjectSession }) {
  const { projectId } = useParams();
  const count = useLibrary(countShown);
  const tiles = useStore(session.state, tileWords);
  const sent = useStore(session.state, (s) => (isSent(s) ? (s.sent?.to ?? "disk") : "not"));
  const prints = useStore(session.state, (s) => s.project.kind === "prints");
  const printCount = useStore(session.state, (s) => (prints ? printBill(s.project).count : 0));
  const sheetState = useStore(session.state, sheetsState);
  return (
    <>
      <Box flex="1" minW="0">
        <Changeable quiet>
          <ProjectName session={session} />
        </Changeable>
      </Box>
      <HStack as="nav" aria-label={walk.label} gap="0" flexShrink="0">
        <Station to={`/work/${projectId}/photos`} name={walk.photos} state={walk.photoCount(count)} />
        <Way />
        {prints ? (
          <Station to={`/work/${projectId}/prints`} name={walk.prints} state={walk.photoCount(printCount)} />
        ) : (
          <Station to={`/work/${projectId}/pages`} name={walk.pages} state={tiles} />
        )}
        <Way />
        <Suspense fallback={<Station to={`/work/${projectId}/check`} name={walk.check} state={walk.checking} />}>
          <CheckStation to={`/work/${projectId}/check`} />
        </Suspense>
        <Way />
        {(!prints || sheetState !== walk.sheetState.none) && (
          <>
            <Station to={`/work/${projectId}/sheets`} name={walk.sheets} state={sheetState} />
            <Way />
          </>
        )}
        <Station to={`/work/${projectId}/send`} name={walk.send} state={walk.sent[sent]} />
      </HStack>
      <HStack gap="1" flex="1" minW="fit-content" justify="end">
        <Changeable quiet>
          <UndoButtons session={session} />
        </Changeable>
        <NotesButton />
        <KeptButton session={session} />
        <WorkMenu session={session} />
        <KeysSheet />
      </HStack>
    </>
  );
}

/** Counted once a page: after every change all pages of a book are asked for. */
function emptyIn(page: Page): number {
  const known = empties.get(page);
  if (known !== undefined) return known;
  const count = arrangedTiles(page).filter((t) => waitsForPhoto(t.filling)).length;
  empties.set(page, count);
  return count;
}
const empties = new WeakMap<Page, number>();

/** As kept, without what a hand is trying out; a sentence, so that what shows it is drawn again only when it changes. */
function tileWords({ project: { pages } }: ProjectState): string {
  const tiles = pages.reduce((sum, p) => sum + arrangedTiles(p).length + freeTiles(p).length, 0);
  const empty = pages.reduce((sum, p) => sum + emptyIn(p), 0);
  return walk.tileState(pageCount(pages), tiles, empty);
}

function sheetsState({ project }: ProjectState): string {
  const { sheets } = project;
  if (!sheets || sheets.wants.length === 0) return walk.sheetState.none;
  return sheets.plan ? walk.sheetState.count(sheets.plan.sheets.length) : walk.sheetState.notPacked;
}

const Way = () => <Box aria-hidden w="20px" h="2px" bg="oat.400" mx="1" borderRadius="full" />;

function ProjectName({ session }: { readonly session: ProjectSession }) {
  const name = useStore(session.state, (s) => s.project.name);
  const [text, setText] = useState(name);
  useEffect(() => setText(name), [name]);
  const keep = () => {
    const tidy = text.trim().slice(0, mostNameLength);
    if (tidy) session.commit({ code: "renamed", count: 1 }, [{ type: "setProject", name: tidy }]);
    else setText(name);
  };
  return (
    <chakra.input
      aria-label={walk.projectName}
      value={text}
      maxLength={mostNameLength}
      onChange={(e) => setText(e.target.value)}
      onBlur={keep}
      onKeyDown={(e) => {
        if (e.key === "Enter") e.currentTarget.blur();
        if (e.key === "Escape") setText(name);
      }}
      w="190px"
      px="2"
      py="1"
      bg="transparent"
      borderRadius="soft"
      borderWidth="1px"
      borderColor="transparent"
      fontWeight="500"
      textOverflow="ellipsis"
      _hover={{ borderColor: "oat.400" }}
      _focus={{ bg: "oat.25", borderColor: "glaze.500" }}
    />
  );
}

/** Among the photos it is the library's own steps that are undone; elsewhere the project's. */
function UndoButtons({ session }: { readonly session: ProjectSession | undefined }) {
  // Captions belong to the photos.
  const amongPhotos = /\/(photos|words)$/.test(useLocation().pathname);
  return amongPhotos || !session ? <LibraryUndo /> : <ProjectUndo session={session} />;
}

function ProjectUndo({ session }: { readonly session: ProjectSession }) {
  const back = useStore(session.state, (s) => inWords(nextUndo(s.history)));
  const again = useStore(session.state, (s) => inWords(nextRedo(s.history)));
  return <UndoPair back={back} again={again} of={session} />;
}

const inWords = (step: StepName | undefined): string | undefined => step && stepWords(step);
