import { Box, chakra, HStack, IconButton, Text } from "@chakra-ui/react";
import { ArrowDown, ArrowUp, Eye, EyeOff, LayoutDashboard, Lock, LockOpen } from "lucide-react";
import { useState } from "react";
import { type Group, isLocked, photoIdOf, type StepCode, type Tile } from "#core/document";
import { hiddenSet, type Listed, listedFrontToBack, locked, named, pieceMoved } from "#core/edit";
import { ornaments, papers, pieces as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { PhotoThumb } from "../../../components/photo-thumb.tsx";
import { TextField } from "../../../components/text-field.tsx";
import { useServices } from "../../../services.ts";
import { keep } from "../../../state/edit/tree-gestures.ts";
import { useLibrary, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";

/** All that is on the page, front to back: to choose, name, hide, lock, and to bring forward or send back. */
export function PiecesSection() {
  const page = usePanel(openPage);
  const chosen = useViewState((s) => s.tiles.ids);
  const listed = listedFrontToBack(page);
  const only = onlyChosen(listed, chosen);
  return (
    <PanelSection title={words.title} folds="pieces" folded>
      {listed.length === 0 && (
        <Text fontSize="14px" color="fg.subtle">
          {words.none}
        </Text>
      )}
      {only && <NameField key={only.id} id={only.id} name={only.name ?? ""} />}
      <Box role="list" aria-label={words.title} maxH="260px" overflowY="auto" mx="-1.5">
        {listed.map((l) =>
          l.what === "group" ? (
            <GroupRow key={l.group.id} group={l.group} chosen={l.group.tiles.every((t) => chosen.has(t.id))} />
          ) : (
            <TileRow key={l.tile.id} tile={l.tile} free={l.what === "free"} chosen={chosen.has(l.tile.id)} />
          ),
        )}
      </Box>
    </PanelSection>
  );
}

/** The tile or the group that is chosen and nothing else. */
function onlyChosen(listed: readonly Listed[], chosen: ReadonlySet<string>): Tile | Group | undefined {
  for (const l of listed) {
    const ids = l.what === "group" ? l.group.tiles.map((t) => t.id) : [l.tile.id];
    if (ids.length === chosen.size && ids.every((id) => chosen.has(id))) return l.what === "group" ? l.group : l.tile;
  }
  return undefined;
}

function GroupRow({ group, chosen }: { readonly group: Group; readonly chosen: boolean }) {
  const name = group.name ?? words.group(group.tiles.length);
  return (
    <Row
      id={group.id}
      name={name}
      tileIds={group.tiles.map((t) => t.id)}
      chosen={chosen}
      hidden={group.hidden === true}
      moves
      locks={group.tiles.every(isLocked)}
    >
      <Box w="36px" h="28px" flexShrink="0" display="grid" placeItems="center" color="fg.subtle" aria-hidden>
        <LayoutDashboard size={18} />
      </Box>
    </Row>
  );
}

function TileRow({ tile, free, chosen }: { readonly tile: Tile; readonly free: boolean; readonly chosen: boolean }) {
  return (
    <Row
      id={tile.id}
      name={useNameOf(tile)}
      tileIds={[tile.id]}
      chosen={chosen}
      hidden={tile.hidden === true}
      moves={free}
      locks={isLocked(tile)}
      within={!free}
    >
      <Picture tile={tile} />
    </Row>
  );
}

interface RowProps {
  readonly id: string;
  readonly name: string;
  /** What is chosen and locked by it. */
  readonly tileIds: readonly string[];
  readonly chosen: boolean;
  readonly hidden: boolean;
  /** It can come further to the front or the back. */
  readonly moves: boolean;
  readonly locks: boolean;
  /** A tile of the group above it. */
  readonly within?: boolean;
  readonly children: React.ReactNode;
}

function Row({ id, name, tileIds, chosen, hidden, moves, locks, within = false, children }: RowProps) {
  const { viewState } = useServices();
  const session = useSession();
  const does = (code: StepCode, edit: Parameters<typeof keep>[3], count = 1) => keep(session, code, count, edit);
  return (
    <HStack
      role="listitem"
      gap="0"
      pl={within ? "4" : "0"}
      borderRadius="soft"
      bg={chosen ? "glaze.50" : undefined}
      _hover={{ bg: "oat.200" }}
    >
      <chakra.button
        type="button"
        aria-label={words.choose(name)}
        aria-pressed={chosen}
        display="flex"
        alignItems="center"
        gap="2"
        flex="1"
        minW="0"
        px="1.5"
        py="1"
        textAlign="left"
        opacity={hidden ? 0.5 : 1}
        onClick={() =>
          viewState.setState({ tiles: { ids: new Set(tileIds), anchor: tileIds[0] }, reframing: undefined })
        }
      >
        {children}
        <Text fontSize="13.5px" truncate>
          {name}
        </Text>
      </chakra.button>
      {moves && (
        <>
          <Deed label={words.forward(name)} onDo={() => does("movedPiece", (on) => pieceMoved(on.page, id, 1))}>
            <ArrowUp size={15} />
          </Deed>
          <Deed label={words.back(name)} onDo={() => does("movedPiece", (on) => pieceMoved(on.page, id, -1))}>
            <ArrowDown size={15} />
          </Deed>
        </>
      )}
      <Deed
        label={locks ? words.unlock(name) : words.lock(name)}
        onDo={() => does("lockedTiles", locked(tileIds, !locks), tileIds.length)}
      >
        {locks ? <Lock size={15} /> : <LockOpen size={15} />}
      </Deed>
      <Deed
        label={hidden ? words.show(name) : words.hide(name)}
        onDo={() => does(hidden ? "showedTile" : "hidTile", (on) => hiddenSet(on.page, id, !hidden), tileIds.length)}
      >
        {hidden ? <EyeOff size={15} /> : <Eye size={15} />}
      </Deed>
    </HStack>
  );
}

interface DeedProps {
  readonly label: string;
  readonly onDo: () => void;
  readonly children: React.ReactNode;
}

const Deed = ({ label, onDo, children }: DeedProps) => (
  <IconButton size="xs" variant="ghost" minW="7" h="7" aria-label={label} title={label} onClick={onDo}>
    {children}
  </IconButton>
);

function Picture({ tile }: { readonly tile: Tile }) {
  const photoId = photoIdOf(tile);
  const { filling } = tile;
  const ground =
    filling.kind === "colour"
      ? filling.colour
      : filling.kind === "paper"
        ? filling.paper.colours[0]
        : filling.kind === "ornament"
          ? filling.ornament.colours[0]
          : undefined;
  return (
    <Box
      w="36px"
      h="28px"
      flexShrink="0"
      borderRadius="2px"
      overflow="hidden"
      bg={ground === undefined ? "oat.200" : undefined}
      style={ground === undefined ? undefined : { background: ground }}
    >
      {photoId !== undefined && <PhotoThumb photoId={photoId} />}
    </Box>
  );
}

/** What a person called it, or else what is in it. */
function useNameOf(tile: Tile): string {
  const photo = useLibrary((s) => s.byId.get(photoIdOf(tile) ?? ""));
  if (tile.name) return tile.name;
  if (tile.filling.kind === "words") return words.words(tile.filling.text);
  if (tile.filling.kind === "colour") return words.colour;
  if (tile.filling.kind === "ornament") return ornaments.nameOf(tile.filling.ornament.design);
  if (tile.filling.kind === "paper") return papers.nameOf(tile.filling.paper.design);
  return photo ? photo.caption || photo.name : words.empty;
}

function NameField({ id, name }: { readonly id: string; readonly name: string }) {
  const session = useSession();
  const [text, setText] = useState(name);
  const take = () => keep(session, "namedTile", 1, (on) => named(on.page, id, text));
  return (
    <Box mb="2">
      <TextField
        label={words.name}
        value={text}
        maxLength={120}
        onChange={(e) => setText(e.target.value)}
        onBlur={take}
        onKeyDown={(e) => e.key === "Enter" && take()}
      />
    </Box>
  );
}
