import { Button, Grid, HStack, IconButton, Switch, Text } from "@chakra-ui/react";
import {
  CaretsToAxisDashedHorizontal,
  CaretsToAxisDashedVertical,
  Columns2,
  type LucideIcon,
  Rows2,
  Shuffle,
  Square,
  Undo2,
  Ungroup,
} from "lucide-react";
import { useMemo } from "react";
import { meanCrop } from "#core/arrange";
import {
  type Arrangement,
  arrangedOn,
  arrangedTiles,
  frameRect,
  type Grid as GridArrangement,
  groupsOf,
  isLocked,
  layTree,
  mainGroup,
  type Page,
  type PlacedPage,
  photoIdOf,
  placeAgain,
  type Tree,
  treeIn,
} from "#core/document";
import {
  aroundGroup,
  asFirstMade,
  differsFromFirst,
  groupMeant,
  inOrder,
  letFree,
  mirrored,
  type RoomAxis,
  roomSplit,
  roomsJoined,
  seedOf,
} from "#core/edit";
import { aspectOf, type Photo } from "#core/photo";
import { free as freeWords, panel as words } from "../../../../text/index.ts";
import { CountField } from "../../../components/count-field.tsx";
import { Act, PanelSection } from "../../../components/panel-parts.tsx";
import { Tooltip } from "../../../components/tooltip.tsx";
import { type Services, useServices } from "../../../services.ts";
import { shuffle, solveAgain } from "../../../state/edit/arrange-page.ts";
import { arrangePhotos, photosInGroup } from "../../../state/edit/arrange-photos.ts";
import { keep } from "../../../state/edit/tree-gestures.ts";
import { aspectsIn } from "../../../state/library/aspects.ts";
import { useLibrary, useRestingPage, useSession, useViewState } from "../../../state/session/hooks.ts";
import { openPlaced } from "../../../state/session/project-session.ts";
import { TilingSection } from "./tiling-section.tsx";

/** How the page's photos are arranged, what that cuts off, and what can be done with the whole of it. */
export function ArrangementSection({ page, arrangement }: { readonly page: Page; readonly arrangement: Arrangement }) {
  switch (arrangement.kind) {
    case "pockets":
      return null;
    case "grid":
      return <OfGrid grid={arrangement} />;
    case "rows":
      return <OfRows />;
    case "tiling":
      return <TilingSection page={page} tiling={arrangement} />;
    case "tree":
      return <OfTree page={page} tree={arrangement} />;
  }
}

function OfTree({ page, tree }: { readonly page: Page; readonly tree: Tree }) {
  const services = useServices();
  const session = useSession();
  const byId = useLibrary((s) => s.byId);
  const count = arrangedTiles(page).length;
  const groupId = mainGroup(page)?.id ?? "";
  return (
    <PanelSection title={words.arrangement} folds="arrangement">
      <HStack justify="space-between" mb="1.5" gap="2">
        <Text fontSize="14px" color="fg.muted" role="status">
          <CropFigure />
        </Text>
        <Parts page={page} />
      </HStack>
      <HStack wrap="wrap" gap="1.5">
        <Button size="sm" variant="outline" onClick={() => shuffle(services, session, 1)}>
          <Shuffle size={16} aria-hidden /> {words.shuffle}
        </Button>
        {seedOf(page) > 0 && <Act icon={Undo2} name={words.lastShuffle} onAct={() => shuffle(services, session, -1)} />}
        <Act
          icon={CaretsToAxisDashedVertical}
          name={words.mirrorSides}
          onAct={() => keep(session, "mirroredPage", count, mirrored("side"))}
        />
        <Act
          icon={CaretsToAxisDashedHorizontal}
          name={words.mirrorUpside}
          onAct={() => keep(session, "mirroredPage", count, mirrored("stack"))}
        />
        <Button size="sm" px="2" variant="outline" onClick={() => solveAgain(services, session)}>
          {words.again}
        </Button>
        <Button
          size="sm"
          px="2"
          variant="outline"
          onClick={() => arrangePhotos(services, session, photosInGroup(session, byId, groupId), { grid: {}, groupId })}
        >
          {words.makeGrid}
        </Button>
        <Button
          size="sm"
          px="2"
          variant="outline"
          onClick={() =>
            arrangePhotos(services, session, photosInGroup(session, byId, groupId), { rows: true, groupId })
          }
        >
          {words.makeRows}
        </Button>
        {differsFromFirst(page) && (
          <Button size="sm" variant="ghost" onClick={() => keep(session, "resetArrangement", count, asFirstMade)}>
            {words.asFirst}
          </Button>
        )}
      </HStack>
      <Switch.Root
        mt="2"
        size="sm"
        checked={tree.order === "kept"}
        onCheckedChange={(e) =>
          keep(session, "changedOrder", count, inOrder(aspectsIn(services), e.checked ? "kept" : "mostly"))
        }
      >
        <Switch.HiddenInput />
        <Switch.Control />
        <Switch.Label fontSize="14px">{words.holdOrder}</Switch.Label>
      </Switch.Root>
      {tree.order === "kept" && (
        <Text mt="1.5" fontSize="13.5px" color="fg.muted">
          {words.holdOrderMeans}
        </Text>
      )}
    </PanelSection>
  );
}

/** A part cut in two, with what was in it arranged anew for the half that it keeps. */
function splitAndFitted(services: Services, on: PlacedPage, tileId: string | undefined, axis: RoomAxis): Page {
  const meant = groupMeant(on, tileId);
  const split = placeAgain(on, roomSplit(on, meant?.group.id, axis, services.newId));
  const { byId } = services.library.state.getState();
  const tiles = meant?.group.tiles ?? [];
  const photos = tiles.flatMap((t) => byId.get(photoIdOf(t) ?? "") ?? []);
  if (treeIn(meant?.group) === undefined || photos.length < tiles.length || tiles.some(isLocked)) return split.page;
  const shapes = photos.map((p) => ({ id: p.id, aspect: aspectOf(p) }));
  const laid = layTree(aroundGroup(split, meant?.group.id), { photos: shapes, seed: 0, newId: services.newId });
  return laid.ok ? laid.value.page : split.page;
}

/** The page in parts that are filled each by itself, or as one again. */
export function Parts({ page }: { readonly page: Page }) {
  const services = useServices();
  const session = useSession();
  const [tileId] = useViewState((s) => s.tiles.ids);
  const wholeSpread = page.span === 2 && groupsOf(page).length < 2;
  const split = (axis: RoomAxis) => keep(session, "splitPage", 1, (on) => splitAndFitted(services, on, tileId, axis));
  const small = (Icon: LucideIcon, name: string, onAct: () => void) => (
    <Tooltip words={name}>
      <IconButton aria-label={name} size="xs" variant="ghost" minW="26px" h="26px" onClick={onAct}>
        <Icon size={17} aria-hidden />
      </IconButton>
    </Tooltip>
  );
  return (
    <HStack gap="0.5" flexShrink="0">
      {groupsOf(page).length > 1 && small(Square, words.onePart, () => keep(session, "joinedParts", 1, roomsJoined))}
      {small(Columns2, wholeSpread ? words.partsOfSpread : words.partsBeside, () => split("side"))}
      {small(Rows2, words.partsStacked, () => split("stack"))}
      <LetFree page={page} />
    </HStack>
  );
}

/** The tiles of the group that is meant, each by itself from now on. */
function LetFree({ page }: { readonly page: Page }) {
  const session = useSession();
  const [tileId] = useViewState((s) => s.tiles.ids);
  const letGo = () => {
    const meant = groupMeant(openPlaced(session.state.getState()), tileId)?.group;
    if (meant) keep(session, "letFree", meant.tiles.length, (on) => letFree(on, meant.id));
  };
  if (groupsOf(page).length === 0) return null;
  return (
    <Tooltip words={freeWords.letFree}>
      <IconButton aria-label={freeWords.letFree} size="xs" variant="ghost" minW="26px" h="26px" onClick={letGo}>
        <Ungroup size={17} aria-hidden />
      </IconButton>
    </Tooltip>
  );
}

function OfRows() {
  const services = useServices();
  const session = useSession();
  const byId = useLibrary((s) => s.byId);
  return (
    <PanelSection title={words.rowsOfOneHeight}>
      <Text fontSize="14px" color="fg.muted" role="status" mb="2.5">
        <CropFigure />
      </Text>
      <Button
        size="sm"
        variant="outline"
        onClick={() => arrangePhotos(services, session, photosInGroup(session, byId, undefined))}
      >
        {words.fitExactly}
      </Button>
    </PanelSection>
  );
}

function OfGrid({ grid }: { readonly grid: GridArrangement }) {
  const services = useServices();
  const session = useSession();
  const byId = useLibrary((s) => s.byId);
  const again = (asked: { rows?: number | undefined; columns?: number | undefined }) =>
    arrangePhotos(services, session, photosInGroup(session, byId, undefined), {
      grid: {
        ...(asked.rows === undefined ? {} : { rows: asked.rows }),
        ...(asked.columns === undefined ? {} : { columns: asked.columns }),
      },
    });
  const fitted = grid.asked.rows === undefined && grid.asked.columns === undefined;
  return (
    <PanelSection title={words.grid}>
      <Grid templateColumns="1fr 1fr" gap="3">
        <CountField
          label={words.rows}
          value={grid.asked.rows}
          placeholder={`${grid.rows.length}`}
          onCount={(rows) => again({ ...grid.asked, rows })}
        />
        <CountField
          label={words.columns}
          value={grid.asked.columns}
          placeholder={`${grid.columns.length}`}
          onCount={(columns) => again({ ...grid.asked, columns })}
        />
      </Grid>
      <Text fontSize="13px" color="fg.subtle" mt="1.5">
        {words.rowsColumnsHelp}
      </Text>
      <Text fontSize="14px" color="fg.muted" role="status" my="2.5">
        <CropFigure />
      </Text>
      <HStack gap="2" wrap="wrap">
        <Button
          size="sm"
          variant="outline"
          disabled={fitted && isEven(grid.columns) && isEven(grid.rows)}
          onClick={() => again({})}
        >
          {words.bestFit}
        </Button>
        <Button
          size="sm"
          variant="outline"
          onClick={() => arrangePhotos(services, session, photosInGroup(session, byId, undefined))}
        >
          {words.fitExactly}
        </Button>
      </HStack>
    </PanelSection>
  );
}

const isEven = (tracks: readonly number[]): boolean => tracks.every((t) => Math.abs(t - 1 / tracks.length) < 1e-9);

/** What is cut off, also while a hand rests on the page. */
function CropFigure() {
  const byId = useLibrary((s) => s.byId);
  const page = useRestingPage();
  return useMemo(() => words.cropped(croppedShare(page, byId)), [page, byId]);
}

/** The mean share of the photos on the page that their tiles cut off at first framing. */
function croppedShare(page: PlacedPage, byId: ReadonlyMap<string, Photo>): number {
  const pairs = arrangedOn(page).flatMap((t) => {
    const photo = byId.get(photoIdOf(t) ?? "");
    const rect = frameRect(t.frame);
    return photo ? [{ aspect: aspectOf(photo), rect }] : [];
  });
  return meanCrop(
    pairs.map((p) => p.aspect),
    pairs.map((p) => p.rect),
  );
}
