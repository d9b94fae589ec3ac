import { Box, HStack, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { isFree, type PlacedTile, placeAgain } from "#core/document";
import type { WordsRoom } from "#core/edit";
import { bleedBox } from "#core/lab";
import { words as say } from "../../../../text/index.ts";
import { PageThumb } from "../../../components/page-thumb.tsx";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { useServices } from "../../../services.ts";
import { roomsOf, takeRoom } from "../../../state/edit/word-rooms.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { openPlaced, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import css from "./word-places.module.css";

const settledMs = 350;
const wide = 78;

/** Where these words could stand on a page that is full, as live pictures; a click puts them there. */
export function WordPlaces({ tile }: { readonly tile: PlacedTile }) {
  const services = useServices();
  const session = useSession();
  const facts = useFacts();
  const page = usePanel(openPlaced);
  const writing = useViewState((s) => s.writing === tile.id);
  const [rooms, setRooms] = useState<readonly WordsRoom[]>();
  // Other places are solved when nobody types.
  const looked = rooms !== undefined;
  const { tile: stored } = tile;
  useEffect(() => {
    if (writing && looked) return;
    const later = setTimeout(() => setRooms(roomsOf(services, session, stored.id, facts)), settledMs);
    return () => clearTimeout(later);
  }, [services, session, facts, stored, writing, looked]);
  if (rooms && rooms.length === 0) return null;
  const box = bleedBox(page.format);
  const now = isFree(page.page, tile.id) ? "over" : undefined;
  return (
    <PanelSection title={say.places} folds="word-places">
      {rooms === undefined ? (
        <Text fontSize="13.5px" color="fg.muted">
          {say.placesSoon}
        </Text>
      ) : (
        <HStack gap="2" align="start" role="group" aria-label={say.places}>
          {rooms.map((room) => (
            <button
              key={room.place}
              type="button"
              className={css.place}
              aria-pressed={room.place === now}
              onClick={() => takeRoom(services, session, tile.id, room.place, facts)}
            >
              <Box className={css.page} data-page>
                <PageThumb page={placeAgain(page, room.page)} scale={wide / box.w} />
              </Box>
              <span>{say.placeOf[room.place]}</span>
            </button>
          ))}
        </HStack>
      )}
    </PanelSection>
  );
}
