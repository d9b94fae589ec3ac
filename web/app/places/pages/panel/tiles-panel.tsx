import { Button, VStack } from "@chakra-ui/react";
import { ArrowLeftRight, Link2, X } from "lucide-react";
import { areTogether, type Tile } from "#core/document";
import { panel as words } from "../../../../text/pages.ts";
import { useKit } from "../../../kit.ts";
import { nothingChosen } from "../../../state/choose.ts";
import { useProject, useSession } from "../../../state/hooks.ts";
import { emptyThem, swapPhotos } from "../../../state/page-gestures.ts";
import { openPage } from "../../../state/project-session.ts";
import { keep, keptTogether, takenAway } from "../../../state/tree-gestures.ts";
import { PanelSection, PanelTitle, pressedLook } from "./parts.tsx";
import { LockSwitch } from "./tile-place.tsx";

/** So many can be neighbours of each other. */
const mostTogether = 4;

/** Several tiles at once. */
export function TilesPanel({ tiles }: { readonly tiles: readonly Tile[] }) {
  const { desk, library } = useKit();
  const session = useSession();
  const ids = tiles.map((t) => t.id);
  const together = useProject((s) => areTogether(openPage(s), ids));
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
          {tiles.length <= mostTogether && (
            <Button
              variant="outline"
              aria-pressed={together}
              onClick={() => keep(session, "keptTogether", ids.length, keptTogether(library, ids))}
              {...pressedLook(together)}
            >
              <Link2 size={17} aria-hidden /> {words.together}
            </Button>
          )}
          <Button
            variant="outline"
            onClick={() => {
              keep(session, "tookAway", ids.length, takenAway(ids));
              desk.setState({ tiles: nothingChosen });
            }}
          >
            <X size={17} aria-hidden /> {words.takeAwayMany(ids.length)}
          </Button>
          {full.length > 0 && (
            <Button variant="ghost" onClick={() => emptyThem(session, ids)}>
              {words.emptyMany(full.length)}
            </Button>
          )}
        </VStack>
        <LockSwitch tiles={tiles} label={words.lockMany} />
      </PanelSection>
    </>
  );
}
