import { Button, VStack } from "@chakra-ui/react";
import { ArrowLeftRight, Grid2x2, Link2, X } from "lucide-react";
import { areKeptTogether, groupOfTile, holdsPockets, type PlacedTile, photoIdOf } from "#core/document";
import { keptTogether } from "#core/edit";
import { pockets as pocketWords, panel as words } from "../../../../text/index.ts";
import { PanelSection, PanelTitle, pressedLook } from "../../../components/panel-parts.tsx";
import { useServices } from "../../../services.ts";
import { emptyThem, swapPhotos, takeAway } from "../../../state/edit/page-gestures.ts";
import { runThrough } from "../../../state/edit/pockets.ts";
import { keep } from "../../../state/edit/tree-gestures.ts";
import { aspectsIn } from "../../../state/library/aspects.ts";
import { useLibrary, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { nothingChosen } from "../../../state/view-state/choose.ts";
import { MoveToPage } from "./move-to-page.tsx";
import { LockSwitch } from "./tile-place.tsx";

/** So many can be neighbours of each other. */
const mostTogether = 4;

/** Several tiles at once. */
export function TilesPanel({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const { viewState, library } = useServices();
  const session = useSession();
  const ids = tiles.map((t) => t.id);
  const together = usePanel((s) => areKeptTogether(groupOfTile(openPage(s), ids[0] ?? ""), ids));
  const full = tiles.filter((t) => t.filling.kind === "photo");
  const [a, b] = tiles;
  const inPockets = usePanel((s) => holdsPockets(openPage(s)));
  const byId = useLibrary((s) => s.byId);
  const shelfChoice = useViewState((s) => (s.photos.ids.size === 1 ? [...s.photos.ids][0] : undefined));
  const only = byId.get(shelfChoice ?? photoIdOf(full[0] ?? tiles[0]!) ?? "");
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
          {inPockets && only && (
            <Button variant="outline" onClick={() => runThrough(session, ids, only)}>
              <Grid2x2 size={17} aria-hidden /> {pocketWords.through}
            </Button>
          )}
          {!inPockets && tiles.length <= mostTogether && (
            <Button
              variant="outline"
              aria-pressed={together}
              onClick={() => keep(session, "keptTogether", ids.length, keptTogether(aspectsIn({ library }), ids))}
              {...pressedLook(together)}
            >
              <Link2 size={17} aria-hidden /> {words.together}
            </Button>
          )}
          {!inPockets && (
            <Button
              variant="outline"
              onClick={() => {
                takeAway(session, ids);
                viewState.setState({ tiles: nothingChosen });
              }}
            >
              <X size={17} aria-hidden /> {words.takeAwayMany(ids.length)}
            </Button>
          )}
          {full.length > 0 && (
            <Button variant="ghost" onClick={() => emptyThem(session, ids)}>
              {words.emptyMany(full.length)}
            </Button>
          )}
        </VStack>
        {full.length > 0 && <MoveToPage tileIds={ids} />}
        <LockSwitch tiles={tiles} label={words.lockMany} />
      </PanelSection>
    </>
  );
}
