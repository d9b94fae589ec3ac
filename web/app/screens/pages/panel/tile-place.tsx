import { Box, Button, Flex, HStack, IconButton, Text, VStack } from "@chakra-ui/react";
import {
  ArrowDownToLine,
  ArrowLeftToLine,
  ArrowRightToLine,
  ArrowUpToLine,
  Columns2,
  Crown,
  Minus,
  Plus,
  RotateCw,
  Rows2,
  X,
} from "lucide-react";
import type { Edge } from "#core/arrange";
import { arrangedTiles, groupOfTile, isFree, isLocked, keepsFilling, type PlacedTile, photoIdOf } from "#core/document";
import { fillingLocked, halved, locked, shaped, slippedIn } from "#core/edit";
import { aspectOf, type Photo } from "#core/photo";
import { free as freeWords, panel as words } from "../../../../text/index.ts";
import { CountField } from "../../../components/count-field.tsx";
import { Act, PanelSection, pressedLook } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { Toggle } from "../../../components/toggle.tsx";
import { useServices } from "../../../services.ts";
import { lead, leadOf } from "../../../state/edit/arrange-page.ts";
import { takeAway } from "../../../state/edit/page-gestures.ts";
import { keep } from "../../../state/edit/tree-gestures.ts";
import { takeOff } from "../../../state/edit/word-gestures.ts";
import { useLibrary, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { nothingChosen } from "../../../state/view-state/choose.ts";
import { SettleOthers } from "./scatter-section.tsx";

/** What can be done with a tile's place: the others make room. */
export function TilePlace({ tile }: { readonly tile: PlacedTile }) {
  const services = useServices();
  const session = useSession();
  const byId = useLibrary((s) => s.byId);
  const page = usePanel(openPage);
  const chosen = useViewState((s) => (s.photos.ids.size === 1 ? [...s.photos.ids][0] : undefined));
  if (isFree(page, tile.id))
    return (
      <PanelSection>
        <Button size="sm" variant="outline" w="full" onClick={() => takeOff(services, session, [tile.id])}>
          <X size={16} aria-hidden /> {freeWords.remove(1)}
        </Button>
        {page.scatter && photoIdOf(tile) !== undefined && <SettleOthers />}
        <LockSwitch tiles={[tile]} label={freeWords.lock} />
      </PanelSection>
    );
  const arrangement = groupOfTile(page, tile.id)?.arrangement;
  if (!arrangement || arrangement.kind === "pockets") return null;
  // Cells of a pattern are all of one shape.
  const isCut = arrangement.kind !== "tiling";
  const photo = byId.get(photoIdOf(tile) ?? "");
  const slips = chosen === undefined ? undefined : byId.get(chosen);
  const take = () => {
    takeAway(session, [tile.id]);
    services.viewState.setState({ tiles: nothingChosen });
  };
  return (
    <PanelSection>
      {isCut && arrangedTiles(page).length > 2 && <Lead tile={tile} />}
      {isCut && <Shape tile={tile} photo={photo} />}
      {slips && <SlipIn tile={tile} photo={slips} />}
      <HStack gap="1.5">
        {isCut && (
          <>
            <Act
              icon={Columns2}
              name={words.splitAcross}
              onAct={() => keep(session, "halvedTile", 1, halved(tile.id, "side", services.newId))}
            />
            <Act
              icon={Rows2}
              name={words.splitDown}
              onAct={() => keep(session, "halvedTile", 1, halved(tile.id, "stack", services.newId))}
            />
          </>
        )}
        <Button size="sm" px="2" variant="outline" flex="1" minW="0" onClick={take}>
          <X size={15} aria-hidden /> {words.takeAway}
        </Button>
      </HStack>
      <Flex direction="column" align="start">
        <LockSwitch tiles={[tile]} label={words.lock} />
        {tile.filling.kind !== "empty" && <LockSwitch tiles={[tile]} of="filling" label={words.lockFilling} />}
      </Flex>
    </PanelSection>
  );
}

interface LockSwitchProps {
  readonly tiles: readonly PlacedTile[];
  readonly of?: "place" | "filling";
  readonly label: string;
}

/** Locks where tiles lie, or what is in them. */
export function LockSwitch({ tiles, of = "place", label }: LockSwitchProps) {
  const session = useSession();
  const ids = tiles.map((t) => t.id);
  const isOn = of === "place" ? isLocked : keepsFilling;
  const lock = (on: boolean) =>
    of === "place"
      ? keep(session, "lockedTiles", ids.length, locked(ids, on))
      : keep(session, "lockedFilling", ids.length, fillingLocked(ids, on));
  return (
    <Box mt="3">
      <Toggle label={label} on={tiles.every((t) => isOn(t.tile))} onTurn={lock} />
    </Box>
  );
}

const firstShare = 0.4;
const shareStep = 0.1;

/** Lets a tile lead, and says by how much. */
function Lead({ tile }: { readonly tile: PlacedTile }) {
  const services = useServices();
  const session = useSession();
  const now = usePanel((s) => leadOf(openPage(s)));
  const leads = now?.tileId === tile.id;
  const to = (share: number) => lead(services, session, tile.id, share);
  return (
    <>
      <Button
        size="sm"
        variant="outline"
        w="full"
        mb="2.5"
        aria-pressed={leads}
        onClick={() => lead(services, session, leads ? undefined : tile.id, firstShare)}
        {...pressedLook(leads)}
      >
        <Crown size={16} aria-hidden /> {words.lead}
      </Button>
      {leads && (
        <HStack mb="2.5" gap="2" align="end">
          <Box flex="1">
            <CountField
              label={words.leadShare}
              value={Math.round(now.share * 100)}
              onCount={(percent) => percent && to(percent / 100)}
            />
          </Box>
          <IconButton variant="outline" aria-label={words.leadLess} onClick={() => to(now.share - shareStep)}>
            <Minus size={16} aria-hidden />
          </IconButton>
          <IconButton variant="outline" aria-label={words.leadMore} onClick={() => to(now.share + shareStep)}>
            <Plus size={16} aria-hidden />
          </IconButton>
        </HStack>
      )}
    </>
  );
}

/** Shapes that prints and frames are sold in, as width over height. */
const shapes: readonly (readonly [string, number])[] = [
  ["1:1", 1],
  ["5:4", 5 / 4],
  ["4:3", 4 / 3],
  ["7:5", 7 / 5],
  ["3:2", 3 / 2],
  ["16:9", 16 / 9],
  ["4:5", 4 / 5],
  ["3:4", 3 / 4],
  ["5:7", 5 / 7],
  ["2:3", 2 / 3],
  ["9:16", 9 / 16],
];

function Shape({ tile, photo }: { readonly tile: PlacedTile; readonly photo: Photo | undefined }) {
  const session = useSession();
  const lab = usePanel((s) => s.project.lab);
  const prints = (lab?.sizes ?? []).map((s): readonly [string, number] => [s.name, s.widthMm / s.heightMm]);
  const now = tile.frame.width / tile.frame.height;
  const isNow = (aspect: number) => Math.abs(aspect / now - 1) < 0.006;
  const all = [...shapes, ...prints];
  const named = shapes.find(([, aspect]) => isNow(aspect)) ?? prints.find(([, aspect]) => isNow(aspect));
  const asPhoto = photo !== undefined && isNow(aspectOf(photo));
  const give = (aspect: number | undefined) => {
    if (aspect) keep(session, "arrangedAnew", 1, shaped(tile.id, aspect));
  };
  return (
    <HStack mb="2.5" gap="2" justify="space-between">
      <Text fontSize="14px" fontWeight="500" color="fg.muted">
        {words.shape}
      </Text>
      <HStack gap="1.5">
        <Box w="138px">
          <Select<string>
            label={words.shape}
            value={asPhoto ? "photo" : (named?.[0] ?? "own")}
            options={[
              ...(asPhoto || named ? [] : ([["own", now.toFixed(2)]] as [string, string][])),
              ...(photo ? ([["photo", words.shapeOfPhoto]] as [string, string][]) : []),
              ...all.map(([name]): [string, string] => [name, name]),
            ]}
            onChoose={(name) =>
              give(name === "photo" && photo ? aspectOf(photo) : all.find((shape) => shape[0] === name)?.[1])
            }
          />
        </Box>
        <Act icon={RotateCw} name={words.turnShape} onAct={() => give(1 / now)} />
      </HStack>
    </HStack>
  );
}

const edges: readonly (readonly [Edge, typeof ArrowLeftToLine])[] = [
  ["left", ArrowLeftToLine],
  ["top", ArrowUpToLine],
  ["bottom", ArrowDownToLine],
  ["right", ArrowRightToLine],
];

/** The chosen photo into a place of its own at an edge of the tile, as by dragging it there. */
function SlipIn({ tile, photo }: { readonly tile: PlacedTile; readonly photo: Photo }) {
  const services = useServices();
  const session = useSession();
  return (
    <VStack align="stretch" gap="1.5" mb="2.5">
      <Text fontSize="14px" fontWeight="500" color="fg.muted">
        {words.slipBeside}
      </Text>
      <HStack gap="2">
        {edges.map(([edge, Icon]) => (
          <Act
            key={edge}
            grows
            icon={Icon}
            name={words.slipAt[edge]}
            onAct={() => keep(session, "slippedIn", 1, slippedIn(photo, tile.id, edge, services.newId))}
          />
        ))}
      </HStack>
    </VStack>
  );
}
