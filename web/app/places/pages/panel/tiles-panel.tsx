import { Button, VStack } from "@chakra-ui/react";
import { ArrowLeftRight } from "lucide-react";
import type { Tile } from "#core/document";
import { panel as words } from "../../../../text/pages.ts";
import { useSession } from "../../../state/hooks.ts";
import { emptyThem, swapPhotos } from "../../../state/page-gestures.ts";
import { PanelSection, PanelTitle } from "./parts.tsx";

/** Several tiles at once. */
export function TilesPanel({ tiles }: { readonly tiles: readonly Tile[] }) {
  const session = useSession();
  const full = tiles.filter((t) => t.filling.kind === "photo");
  const [a, b] = tiles;
  return (
    <>
      <PanelTitle>{words.tiles(tiles.length)}</PanelTitle>
      <PanelSection>
        <VStack gap="2" align="stretch">
          {tiles.length === 2 && full.length > 0 && (
            <Button variant="outline" onClick={() => swapPhotos(session, a!.id, b!.id)}>
              <ArrowLeftRight size={17} aria-hidden /> {words.swap}
            </Button>
          )}
          {full.length > 0 && (
            <Button
              variant="ghost"
              onClick={() =>
                emptyThem(
                  session,
                  tiles.map((t) => t.id),
                )
              }
            >
              {words.emptyMany(full.length)}
            </Button>
          )}
        </VStack>
      </PanelSection>
    </>
  );
}
