import { Button, Text, VStack } from "@chakra-ui/react";
import { ArrowLeftRight, Grid2x2, ImagePlus, Link2, Scale, X } from "lucide-react";
import {
  areEqual,
  areKeptTogether,
  areWords,
  costOfEqual,
  groupAt,
  groupOfTile,
  holdsPockets,
  isFree,
  type PlacedTile,
  photoIdOf,
} from "#core/document";
import { areEvenlyLarge, areTied, keptTogether } from "#core/edit";
import { free as freeWords, pockets as pocketWords, tilings, panel as words } from "../../../../text/index.ts";
import { PanelSection, pressedLook } from "../../../components/panel-parts.tsx";
import { useServices } from "../../../services.ts";
import { areOfOneGroup, makeEqual } from "../../../state/edit/arrange-page.ts";
import { tieChosen } from "../../../state/edit/free-gestures.ts";
import { emptyThem, swapPhotos, takeAway } from "../../../state/edit/page-gestures.ts";
import { placeChosen } from "../../../state/edit/place-chosen.ts";
import { runThrough } from "../../../state/edit/pockets.ts";
import { fillThrough } from "../../../state/edit/through.ts";
import { keep } from "../../../state/edit/tree-gestures.ts";
import { aspectsIn } from "../../../state/library/aspects.ts";
import { openPlaced, useLibrary, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { nothingChosen } from "../../../state/view-state/choose.ts";
import { ExactOffer } from "./exact-offer.tsx";
import { FreePlace } from "./free-place.tsx";
import { GroupSection } from "./group-section.tsx";
import { TitleWithLook } from "./look-in-hand.tsx";
import { MoveToPage } from "./move-to-page.tsx";
import { OrnamentRows } from "./ornament-rows.tsx";
import { TilePaperPicture } from "./paper-picture.tsx";
import { PhotoTone } from "./photo-tone.tsx";
import { PlainColour } from "./plain-colour.tsx";
import { SettleOthers } from "./scatter-section.tsx";
import { TileDress } from "./tile-dress.tsx";
import { TilePaper } from "./tile-paper.tsx";
import { LockSwitch } from "./tile-place.tsx";

/** So many can be neighbours of each other. */
const mostTogether = 4;

/** Several tiles at once. */
export function TilesPanel({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const services = useServices();
  const { viewState, library } = services;
  const session = useSession();
  const ids = tiles.map((t) => t.id);
  const together = usePanel((s) => areKeptTogether(groupOfTile(openPage(s), ids[0] ?? ""), ids));
  const full = tiles.filter((t) => t.filling.kind === "photo");
  const [a, b] = tiles;
  const page = usePanel(openPage);
  const inPockets = holdsPockets(page);
  const areFree = tiles.every((t) => isFree(page, t.id));
  const byId = useLibrary((s) => s.byId);
  const shelfChoice = useViewState((s) => (s.photos.ids.size === 1 ? [...s.photos.ids][0] : undefined));
  const onShelf = useViewState((s) => s.photos.ids.size);
  const only = byId.get(shelfChoice ?? photoIdOf(full[0] ?? tiles[0]!) ?? "");
  return (
    <>
      <TitleWithLook title={words.tiles(tiles.length)} />
      <PanelSection>
        <VStack gap="2" align="stretch">
          {onShelf > 0 && (
            <Button variant="outline" onClick={() => placeChosen(services, session, undefined)}>
              <ImagePlus size={17} aria-hidden /> {words.putChosenMany(onShelf)}
            </Button>
          )}
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
          {!inPockets && only && tiles.length > 1 && !tiles.some(areWords) && (
            <Button variant="outline" onClick={() => fillThrough(services, session, ids, only)}>
              <Grid2x2 size={17} aria-hidden /> {tilings.through}
            </Button>
          )}
          {areOfOneGroup(page, ids) && tiles.length <= mostTogether && (
            <Button
              variant="outline"
              aria-pressed={together}
              onClick={() => keep(session, "keptTogether", ids.length, keptTogether(aspectsIn({ library }), ids))}
              {...pressedLook(together)}
            >
              <Link2 size={17} aria-hidden /> {words.together}
            </Button>
          )}
          {areOfOneGroup(page, ids) && <EquallyLarge ids={ids} />}
          {!inPockets && (
            <Button
              variant="outline"
              onClick={() => {
                takeAway(session, ids);
                viewState.setState({ tiles: nothingChosen });
              }}
            >
              <X size={17} aria-hidden /> {areFree ? freeWords.remove(ids.length) : words.takeAwayMany(ids.length)}
            </Button>
          )}
          {areFree && tiles.length > 1 && (
            <Button
              variant="outline"
              aria-pressed={areTied(page, ids)}
              onClick={() => tieChosen(services, session)}
              {...pressedLook(areTied(page, ids))}
            >
              <Link2 size={17} aria-hidden /> {freeWords.tie}
            </Button>
          )}
          {areFree && !page.scatter && !tiles.some(areWords) && <ExactOffer key={ids.join()} tiles={tiles} />}
          {page.scatter && areFree && full.length > 0 && <SettleOthers />}
          {full.length > 0 && (
            <Button variant="ghost" onClick={() => emptyThem(session, ids)}>
              {words.emptyMany(full.length)}
            </Button>
          )}
        </VStack>
        {full.length > 0 && <MoveToPage tileIds={ids} />}
        {full.length === 0 && !tiles.some((t) => areWords(t) || t.filling.kind === "ornament") && (
          <PlainColour tiles={tiles} />
        )}
        <LockSwitch tiles={tiles} label={words.lockMany} />
      </PanelSection>
      {areFree && <FreePlace tiles={tiles} />}
      <GroupSection tiles={tiles} />
      <TilePaper tiles={tiles} />
      <TilePaperPicture tiles={tiles} />
      <OrnamentRows tiles={tiles} />
      <TileDress tiles={tiles} />
      <PhotoTone tiles={tiles} />
    </>
  );
}

/** Kept equally large by the arranger, and what that costs. */
function EquallyLarge({ ids }: { readonly ids: readonly string[] }) {
  const services = useServices();
  const session = useSession();
  const at = groupAt(usePanel(openPlaced), ids[0]);
  const equal = areEqual(at?.group, ids);
  return (
    <>
      <Button
        variant="outline"
        aria-pressed={equal}
        onClick={() => makeEqual(services, session, ids, !equal)}
        {...pressedLook(equal)}
      >
        <Scale size={17} aria-hidden /> {words.equal}
      </Button>
      {at && equal && (
        <Text fontSize="13.5px" color="fg.muted">
          {areEvenlyLarge(at, ids) ? words.equalCost(costOfEqual(at)) : words.equalNot}
        </Text>
      )}
    </>
  );
}
