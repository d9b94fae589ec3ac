import { Flex, HStack, Text } from "@chakra-ui/react";
import { lazy, Suspense } from "react";
import { Link, useLocation } from "react-router";
import { common, walk } from "../../text/index.ts";
import { countShown, useLibrary, useMaybeSession } from "../state/session/hooks.ts";
import { KeptButton } from "./kept-button.tsx";
import { KeysSheet } from "./keys-sheet.tsx";
import { Station } from "./station.tsx";
import { LibraryUndo } from "./undo-pair.tsx";

// What only an open work needs comes after the first screen.
const ProjectHeader = lazy(() => import("./project/project-header.tsx").then((m) => ({ default: m.ProjectHeader })));

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
      {session ? (
        <Suspense>
          <ProjectHeader session={session} />
        </Suspense>
      ) : (
        <LooseHeader />
      )}
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
