import { Box, Grid } from "@chakra-ui/react";
import { useState } from "react";
import type { LabCard } from "#core/lab";
import { useServices } from "../../services.ts";
import { useLabs } from "../../state/sending/use-labs.ts";
import { LabForm } from "./lab-form.tsx";
import { LabKeep } from "./lab-keep.tsx";
import { LabList } from "./lab-list.tsx";
import { isOwnCard, ownMark } from "./own-cards.ts";

/** Cards of labs that are not handed out: typed from what the lab says of itself, with a drawing that follows. */
export function LabsScreen() {
  const services = useServices();
  const known = useLabs();
  const [card, setCard] = useState<LabCard>();
  const cards = known.data ?? [];
  const newId = () =>
    `${ownMark}${services
      .newId()
      .toLowerCase()
      .replace(/[^a-z0-9]/g, "")}`;
  return (
    <Grid h="full" templateColumns="264px minmax(0, 1fr) 380px" minH="0">
      <LabList cards={cards} open={card} newId={newId} onOpen={setCard} />
      <Box overflowY="auto" px="8" py="7" minW="0">
        {card && <LabForm key={card.id} card={card} onCard={setCard} />}
      </Box>
      <LabKeep
        card={card}
        isKept={cards.some((c) => isOwnCard(c) && c.id === card?.id)}
        onDropped={() => setCard(undefined)}
      />
    </Grid>
  );
}
