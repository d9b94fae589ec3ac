import { Box, Text } from "@chakra-ui/react";
import { useDraggable } from "@dnd-kit/core";
import { ImageOff, ImagePlus, Lock } from "lucide-react";
import { type KeyboardEvent, type MouseEvent, memo, useRef, useState } from "react";
import type { Edge } from "#core/arrange";
import { frameRect, type Page, photoIdOf, type Tile } from "#core/document";
import { pages as words } from "../../../text/pages.ts";
import { useKit } from "../../kit.ts";
import { choose } from "../../state/choose.ts";
import { useDesk, useLibrary, useSession } from "../../state/hooks.ts";
import { emptyThem } from "../../state/page-gestures.ts";
import { keep, takenAway, tileMoved } from "../../state/tree-gestures.ts";
import type { Dragged, DropMeaning } from "./drop-meaning.ts";
import { nearestToward, type PageView, placeOf } from "./page-view.ts";
import { TileMenu } from "./tile-menu.tsx";

interface TileLayerProps {
  readonly view: PageView;
  readonly page: Page;
  readonly dragged: Dragged | undefined;
  readonly meaning: DropMeaning;
}

/** The tiles as things one can point at, choose, drag and name; their pictures are on the canvas beneath. */
export function TileLayer({ view, page, dragged, meaning }: TileLayerProps) {
  const { desk } = useKit();
  const session = useSession();
  const choice = useDesk((s) => s.tiles);
  const byId = useLibrary((s) => s.byId);
  const [at, setAt] = useState<string>();
  const layer = useRef<HTMLDivElement>(null);
  const ids = page.tiles.map((t) => t.id);
  const stop = at !== undefined && ids.includes(at) ? at : ids[0];

  const onKeyDown = (e: KeyboardEvent) => {
    if (!stop) return;
    if (e.key.startsWith("Arrow")) {
      const rects = page.tiles.map((t) => ({ id: t.id, ...frameRect(t.frame) }));
      const next = nearestToward(rects, stop, e.key);
      if (e.altKey && next) keep(session, "arrangedAnew", 1, tileMoved(stop, { tileId: next, edge: edgeOf[e.key]! }));
      else if (next) layer.current?.querySelector<HTMLElement>(`[data-tile="${next}"]`)?.focus();
    } else if (e.key === " ")
      desk.setState((s) => ({
        tiles: choose(s.tiles, ids, stop, { shift: e.shiftKey, ctrl: e.ctrlKey || e.metaKey }),
      }));
    else if (e.key === "Enter") {
      if (page.tiles.find((t) => t.id === stop)?.filling.kind === "photo")
        desk.setState({ tiles: { ids: new Set([stop]), anchor: stop }, reframing: stop });
    } else if (e.key === "Delete" && !choice.ids.has(stop))
      e.shiftKey ? keep(session, "tookAway", 1, takenAway([stop])) : emptyThem(session, [stop]);
    else return;
    e.preventDefault();
  };

  return (
    <TileMenu>
      <Box
        ref={layer}
        role="listbox"
        aria-multiselectable
        aria-label={words.title}
        position="absolute"
        inset="0"
        onKeyDown={onKeyDown}
        pointerEvents="none"
      >
        {page.tiles.map((tile, i) => {
          const photo = byId.get(photoIdOf(tile) ?? "");
          const what =
            tile.filling.kind === "empty" ? words.emptyTile : photo ? photo.caption || photo.name : words.photoGone;
          return (
            <TileSpot
              key={tile.id}
              tile={tile}
              view={view}
              label={words.tile(i + 1, page.tiles.length, what)}
              missing={tile.filling.kind === "photo" && !photo}
              chosen={choice.ids.has(tile.id)}
              stop={tile.id === stop}
              dragged={dragged}
              target={targetOf(meaning) === tile.id}
              onFocus={() => setAt(tile.id)}
              onClick={(e) =>
                desk.setState((s) => ({
                  tiles: choose(s.tiles, ids, tile.id, { shift: e.shiftKey, ctrl: e.ctrlKey || e.metaKey }),
                }))
              }
              onMenu={() => {
                if (!choice.ids.has(tile.id)) desk.setState({ tiles: { ids: new Set([tile.id]), anchor: tile.id } });
              }}
              onDoubleClick={() =>
                tile.filling.kind === "photo" &&
                desk.setState({ tiles: { ids: new Set([tile.id]), anchor: tile.id }, reframing: tile.id })
              }
            />
          );
        })}
      </Box>
    </TileMenu>
  );
}

/** Moved past its neighbour, a tile comes to lie on that one's far side. */
const edgeOf: Record<string, Edge> = {
  ArrowLeft: "left",
  ArrowRight: "right",
  ArrowUp: "top",
  ArrowDown: "bottom",
};

const targetOf = (m: DropMeaning): string | undefined =>
  m.does === "put" ? m.tileId : m.does === "swap" ? m.withTileId : undefined;

interface TileSpotProps {
  readonly tile: Tile;
  readonly view: PageView;
  readonly label: string;
  readonly missing: boolean;
  readonly chosen: boolean;
  readonly stop: boolean;
  readonly dragged: Dragged | undefined;
  /** Letting go now would take this place. */
  readonly target: boolean;
  readonly onFocus: () => void;
  readonly onClick: (e: MouseEvent) => void;
  readonly onMenu: () => void;
  readonly onDoubleClick: () => void;
}

const TileSpot = memo(function TileSpot({
  tile,
  view,
  label,
  missing,
  chosen,
  stop,
  dragged,
  target,
  onFocus,
  onClick,
  onMenu,
  onDoubleClick,
}: TileSpotProps) {
  const rect = frameRect(tile.frame);
  const empty = tile.filling.kind === "empty";
  const drag = useDraggable({
    id: `tile-${tile.id}`,
    data: { from: "tile", tileId: tile.id } satisfies Dragged,
    disabled: empty,
  });
  const own = dragged?.from === "tile" && dragged.tileId === tile.id;
  const roomy = Math.min(rect.w, rect.h) * view.scale > 54;
  return (
    <Box
      ref={drag.setNodeRef}
      {...drag.listeners}
      role="option"
      aria-selected={chosen}
      aria-label={label}
      tabIndex={stop ? 0 : -1}
      data-tile={tile.id}
      position="absolute"
      pointerEvents="auto"
      cursor={empty ? "default" : "grab"}
      display="grid"
      placeItems="center"
      onFocus={onFocus}
      onClick={onClick}
      onContextMenu={onMenu}
      onDoubleClick={onDoubleClick}
      style={{ ...placeOf(view, rect), borderRadius: `${tile.outline.cornerMm * view.scale}px` }}
      bg={own ? "rgba(244,239,230,.66)" : empty || missing ? "rgba(233,226,213,.55)" : undefined}
      border={empty || missing ? "1.5px dashed" : undefined}
      borderColor="oat.500"
      boxShadow={
        chosen || target
          ? `0 0 0 ${target ? 5 : 3}px {colors.glaze.500}, 0 0 0 ${target ? 6.5 : 4.5}px white`
          : undefined
      }
      zIndex={chosen || target ? 2 : undefined}
      _hover={chosen ? undefined : { boxShadow: "0 0 0 2px {colors.glaze.500}" }}
      _focusVisible={{ outline: "3px solid {colors.glaze.600}", outlineOffset: "4px", zIndex: 3 }}
    >
      {tile.locked && (
        <Box
          position="absolute"
          left="1"
          top="1"
          w="20px"
          h="20px"
          display="grid"
          placeItems="center"
          borderRadius="full"
          bg="rgba(34, 48, 43, .78)"
          color="white"
          pointerEvents="none"
        >
          <Lock size={12} aria-label={words.locked} />
        </Box>
      )}
      {(empty || missing) && roomy && (
        <Box color="ink.500" textAlign="center" fontSize="13px" pointerEvents="none">
          {missing ? (
            <ImageOff size={20} aria-hidden style={{ margin: "0 auto 4px" }} />
          ) : (
            <ImagePlus size={20} aria-hidden style={{ margin: "0 auto 4px" }} />
          )}
          {Math.min(rect.w, rect.h) * view.scale > 90 && (missing ? words.photoGone : words.emptyTileHint)}
        </Box>
      )}
      {target && dragged && roomy && (
        <Text
          bg="glaze.600"
          color="white"
          fontSize="13px"
          fontWeight="600"
          px="2.5"
          py="1"
          borderRadius="soft"
          pointerEvents="none"
          textAlign="center"
        >
          {dragged.from === "tile" && !empty ? words.dropSwap : words.dropPut}
        </Text>
      )}
    </Box>
  );
});
