import { Box, Flex } from "@chakra-ui/react";
import { memo, useDeferredValue } from "react";
import { areWords, findPlaced, type PlacedPage } from "#core/document";
import { Changeable } from "../../../components/changeable.tsx";
import { FieldsOf } from "../../../components/fields-of.ts";
import {
  PanelContext,
  useHeld,
  usePanelState,
  useProject,
  useRestingPage,
  useViewState,
} from "../../../state/session/hooks.ts";
import type { ProjectState } from "../../../state/session/project-session.ts";
import { CoverPanel } from "./cover-panel.tsx";
import { PagePanel } from "./page-panel.tsx";
import css from "./panel.module.css";
import { PiecesSection } from "./pieces-section.tsx";
import { TilePanel } from "./tile-panel.tsx";
import { TilesPanel } from "./tiles-panel.tsx";
import { SeveralWords, WordsPanel } from "./words-panel.tsx";

/** Speaks only of what is chosen: the page, a tile, or several. */
export function Panel() {
  // What follows a hand comes first; the panel catches up as soon as there is time.
  const writing = useViewState((s) => s.writing !== undefined);
  const page = useRestingPage();
  const state = useHeld(usePanelState(), writing);
  const chosenNow = useViewState((s) => s.tiles.ids);
  const moving = useProject((s) => s.draft !== undefined);
  // Under a hand that does not rest the panel of what it took hold of would be begun anew in every frame.
  const chosen = useDeferredValue(useHeld(chosenNow, moving));
  const pageNow = useProject((s) => s.pageId);
  // What is pressed must not happen to the tile or page that the panel is about to leave.
  const leaving = chosen !== chosenNow || page.id !== pageNow || state.pageId !== pageNow;
  return (
    <Flex direction="column" position="relative" flex="1" minH="0">
      <PanelOf page={page} state={state} chosen={chosen} />
      <div className={css.cover} style={{ display: leaving ? "block" : "none" }} />
    </Flex>
  );
}

interface PanelOfProps {
  readonly page: PlacedPage;
  readonly state: ProjectState;
  readonly chosen: ReadonlySet<string>;
}

/** By itself, so that it rests while the page changes under a hand or under what is typed. */
const PanelOf = memo(function PanelOf({ page, state, chosen }: PanelOfProps) {
  const isCover = state.project.cover?.id === state.pageId;
  const tiles = [...chosen].flatMap((id) => findPlaced(page, id) ?? []);
  return (
    <PanelContext.Provider value={state}>
      <FieldsOf.Provider value={`${page.id} ${tiles.map((t) => t.id).join(" ")}`}>
        <Box as="aside" overflowY="auto" flex="1" px="5" py="3">
          <Changeable>
            {tiles.length === 0 && isCover ? (
              <CoverPanel />
            ) : tiles.length === 0 ? (
              <PagePanel />
            ) : tiles.length === 1 && areWords(tiles[0]!) ? (
              <WordsPanel key={tiles[0]!.id} tile={tiles[0]!} />
            ) : tiles.length === 1 ? (
              <TilePanel tile={tiles[0]!} />
            ) : tiles.every(areWords) ? (
              <SeveralWords tiles={tiles} />
            ) : (
              <TilesPanel tiles={tiles} />
            )}
            <PiecesSection />
          </Changeable>
        </Box>
      </FieldsOf.Provider>
    </PanelContext.Provider>
  );
});
