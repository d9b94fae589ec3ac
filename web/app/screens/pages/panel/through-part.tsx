import { Button, HStack, Text } from "@chakra-ui/react";
import type { PlacedTile } from "#core/document";
import { tilings as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { useServices } from "../../../services.ts";
import { giveBack, takeApart } from "../../../state/edit/through.ts";
import { useSession } from "../../../state/session/hooks.ts";

/** Of a tile that one photo runs through with others: what that means, and the ways out of it and back. */
export function ThroughPart({ tile }: { readonly tile: PlacedTile }) {
  const services = useServices();
  const session = useSession();
  const part = tile.tile.through;
  if (!part) return null;
  const shows = tile.through !== undefined;
  return (
    <PanelSection title={words.part}>
      <Text fontSize="13.5px" color="fg.muted" mb="2">
        {shows ? words.partMeans : words.tookOther}
      </Text>
      <HStack gap="1.5" wrap="wrap">
        {!shows && (
          <Button size="sm" variant="outline" onClick={() => giveBack(session, [tile.id])}>
            {words.giveBack}
          </Button>
        )}
        <Button
          size="sm"
          variant="outline"
          title={words.apartMeans}
          onClick={() => takeApart(services, session, part.id)}
        >
          {words.apart}
        </Button>
      </HStack>
    </PanelSection>
  );
}
