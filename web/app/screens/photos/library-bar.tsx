import { Box, Button, Heading, HStack } from "@chakra-ui/react";
import { lazy, memo, type ReactNode, Suspense, useMemo } from "react";
import { Link } from "react-router";
import { type Photo, type Section, sections } from "#core/photo";
import { photos as words } from "../../../text/index.ts";
import { BringIn } from "../../components/import-buttons.tsx";
import { Segmented } from "../../components/segmented.tsx";
import { useServices } from "../../services.ts";
import { useMaybeSession, useViewState } from "../../state/session/hooks.ts";
import { chooseAll, nothingChosen } from "../../state/view-state/choose.ts";
import { SpaceUsed } from "./space.tsx";

const Removed = lazy(() => import("../../components/removed.tsx").then((m) => ({ default: m.Removed })));

/** Which part of the library is open. */
export const Sections = memo(function Sections() {
  const { viewState } = useServices();
  const section = useViewState((s) => s.section);
  const open = (next: Section) => viewState.setState({ section: next, photos: nothingChosen, sheet: undefined });
  return (
    <Segmented<Section>
      label={words.section}
      value={section}
      options={sections.map((s) => [s, words.sections[s]] as const)}
      onChoose={open}
    />
  );
});

interface LibraryBarProps {
  readonly title: string;
  readonly shownIds: readonly Photo[];
  readonly filters?: ReactNode;
}

export function LibraryBar({ title, shownIds, filters }: LibraryBarProps) {
  const { viewState } = useServices();
  const session = useMaybeSession();
  const section = useViewState((s) => s.section);
  const chosen = useViewState((s) => s.photos.ids.size);
  const all = chosen === shownIds.length && chosen > 0;
  return (
    <HStack px="8" pt="3" gap="4">
      <Sections />
      <Box minW="0">
        <Heading as="h1" fontSize="22px" lineHeight="1.2" fontWeight="540" whiteSpace="nowrap">
          {title}
        </Heading>
        <HStack gap="3">
          <SpaceUsed />
          {section === "photos" && <Guessed photos={shownIds} />}
        </HStack>
      </Box>
      <HStack ml="auto" gap="2">
        <Button
          size="sm"
          variant="ghost"
          disabled={shownIds.length === 0}
          onClick={() => viewState.setState({ photos: all ? nothingChosen : chooseAll(shownIds.map((p) => p.id)) })}
        >
          {all ? words.chooseNone : words.chooseAll}
        </Button>
        {filters}
        <Suspense>
          <Removed />
        </Suspense>
        <BringIn section={section} />
        {!session && section === "photos" && (
          <Button asChild size="sm">
            <Link to="/">{words.startCollage}</Link>
          </Button>
        )}
      </HStack>
    </HStack>
  );
}

/** How many have no date but their file's; a click chooses them, to be set together. */
function Guessed({ photos }: { readonly photos: readonly Photo[] }) {
  const { viewState } = useServices();
  const ids = useMemo(() => photos.flatMap((p) => (p.takenFrom === "file" ? [p.id] : [])), [photos]);
  if (ids.length === 0) return null;
  return (
    <Button
      size="xs"
      variant="ghost"
      h="22px"
      px="1.5"
      fontSize="13px"
      color="saffron.700"
      title={words.guessedWhy}
      onClick={() => viewState.setState({ photos: chooseAll(ids) })}
    >
      {words.guessed(ids.length)}
    </Button>
  );
}
