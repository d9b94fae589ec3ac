import { Box, chakra, Flex, HStack, IconButton, Text } from "@chakra-ui/react";
import { Redo2, Undo2 } from "lucide-react";
import { lazy, Suspense, useEffect, useState } from "react";
import { Link, useLocation, useParams } from "react-router";
import { useStore } from "zustand";
import { arrangedTiles, freeTiles, nextRedo, nextUndo, type Page, pageCount, waitsForPhoto } from "#core/document";
import { printBill } from "#core/edit";
import { common, deedWords, history as historyWords, stepWords, walk } from "../../text/index.ts";
import { hint } from "../commands/shown.ts";
import { useServices } from "../services.ts";
import type { LibraryStep } from "../state/library/library-state.ts";
import { countShown, shown, useLibrary, useMaybeSession } from "../state/session/hooks.ts";
import { isSent, type ProjectSession, type ProjectState } from "../state/session/project-session.ts";
import { Changeable } from "./changeable.tsx";
import { KeptButton } from "./kept-button.tsx";
import { KeysSheet } from "./keys-sheet.tsx";
import { Station } from "./station.tsx";
import { Tooltip } from "./tooltip.tsx";

// What the check needs comes after the first screen.
const CheckStation = lazy(() => import("./check-station.tsx").then((m) => ({ default: m.CheckStation })));
const WorkMenu = lazy(() => import("./project/project-menu.tsx").then((m) => ({ default: m.WorkMenu })));

/** The walk through the job and its state at once. */
export function Header() {
  const session = useMaybeSession();
  return (
    <Flex
      as="header"
      h="56px"
      flexShrink="0"
      px="5"
      gap="5"
      align="center"
      bg="oat.50"
      borderBottomWidth="1px"
      borderColor="oat.300"
    >
      <Link to="/" aria-label={walk.start} style={{ flexShrink: 0 }}>
        <HStack gap="2">
          <img src="/mark.svg" alt="" width={26} height={26} />
          <Text as="span" fontFamily="heading" fontWeight="600" fontSize="21px" letterSpacing="-0.02em">
            {common.name}
          </Text>
        </HStack>
      </Link>
      {session ? <ProjectHeader session={session} /> : <LooseHeader />}
    </Flex>
  );
}

function LooseHeader() {
  const count = useLibrary(countShown);
  const amongPhotos = useLocation().pathname === "/photos";
  return (
    <>
      <HStack as="nav" aria-label={walk.label} gap="1">
        <Station to="/photos" name={walk.photos} state={walk.photoCount(count)} />
      </HStack>
      <HStack ml="auto" gap="1">
        {amongPhotos && <LibraryUndo />}
        <KeptButton />
        {amongPhotos && <KeysSheet />}
      </HStack>
    </>
  );
}

function ProjectHeader({ session }: { readonly session: ProjectSession }) {
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
        <KeptButton session={session} />
        <Suspense>
          <WorkMenu session={session} />
        </Suspense>
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

/** A sentence, so that what shows it is drawn again only when it changes. */
function tileWords(s: ProjectState): string {
  const { pages } = shown(s);
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
    const tidy = text.trim().slice(0, 120);
    if (tidy) session.commit({ code: "renamed", count: 1 }, [{ type: "setProject", name: tidy }]);
    else setText(name);
  };
  return (
    <chakra.input
      aria-label={walk.projectName}
      value={text}
      maxLength={120}
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
  const amongPhotos = useLocation().pathname.endsWith("/photos");
  return amongPhotos || !session ? <LibraryUndo /> : <ProjectUndo session={session} />;
}

function ProjectUndo({ session }: { readonly session: ProjectSession }) {
  const back = useStore(session.state, (s) => nextUndo(s.history));
  const again = useStore(session.state, (s) => nextRedo(s.history));
  return (
    <UndoPair
      back={back && stepWords(back)}
      again={again && stepWords(again)}
      onBack={() => session.undo()}
      onAgain={() => session.redo()}
    />
  );
}

function LibraryUndo() {
  const { library } = useServices();
  const back = useLibrary((s) => s.undoable.at(-1));
  const again = useLibrary((s) => s.redoable.at(-1));
  return (
    <UndoPair
      back={back && inWords(back)}
      again={again && inWords(again)}
      onBack={() => void library.undo()}
      onAgain={() => void library.redo()}
    />
  );
}

interface UndoPairProps {
  readonly back: string | undefined;
  readonly again: string | undefined;
  readonly onBack: () => void;
  readonly onAgain: () => void;
}

function UndoPair({ back, again, onBack, onAgain }: UndoPairProps) {
  const undoWords = historyWords.undo(back);
  const redoWords = historyWords.redo(again);
  return (
    <>
      <Tooltip words={hint(undoWords, "history", "undo")}>
        <IconButton aria-label={undoWords} variant="ghost" size="sm" disabled={!back} onClick={onBack}>
          <Undo2 size={19} />
        </IconButton>
      </Tooltip>
      <Tooltip words={hint(redoWords, "history", "redo")}>
        <IconButton aria-label={redoWords} variant="ghost" size="sm" disabled={!again} onClick={onAgain}>
          <Redo2 size={19} />
        </IconButton>
      </Tooltip>
    </>
  );
}

const inWords = ({ deed, count, before }: LibraryStep): string =>
  deedWords(deed, count, before.photos[0]?.section ?? "photos");
