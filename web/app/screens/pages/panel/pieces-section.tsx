import { Box, chakra, HStack, IconButton, Text } from "@chakra-ui/react";
import { ArrowDown, ArrowUp, Eye, EyeOff, Lock, LockOpen } from "lucide-react";
import { useState } from "react";
import { isLocked, photoIdOf, type StepCode, type Tile } from "#core/document";
import { hiddenSet, type Listed, locked, namedTile, pieceMoved, tilesFrontToBack } from "#core/edit";
import { pieces as words } from "../../../../text/index.ts";
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
  const listed = tilesFrontToBack(page);
  const only = chosen.size === 1 ? listed.find((l) => chosen.has(l.tile.id)) : undefined;
  return (
    <PanelSection title={words.title} folds="pieces" folded>
      {listed.length === 0 && (
        <Text fontSize="14px" color="fg.subtle">
          {words.none}
        </Text>
      )}
      {only && <NameField key={only.tile.id} tile={only.tile} />}
      <Box role="list" aria-label={words.title} maxH="260px" overflowY="auto" mx="-1.5">
        {listed.map((l) => (
          <Row key={l.tile.id} listed={l} chosen={chosen.has(l.tile.id)} />
        ))}
      </Box>
    </PanelSection>
  );
}

function Row({ listed: { tile, free }, chosen }: { readonly listed: Listed; readonly chosen: boolean }) {
  const { viewState } = useServices();
  const session = useSession();
  const name = useNameOf(tile);
  const does = (code: StepCode, edit: Parameters<typeof keep>[3]) => keep(session, code, 1, edit);
  const isHidden = tile.hidden === true;
  return (
    <HStack role="listitem" gap="0" borderRadius="soft" bg={chosen ? "glaze.50" : undefined} _hover={{ bg: "oat.200" }}>
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
        opacity={isHidden ? 0.5 : 1}
        onClick={() =>
          viewState.setState({ tiles: { ids: new Set([tile.id]), anchor: tile.id }, reframing: undefined })
        }
      >
        <Picture tile={tile} />
        <Text fontSize="13.5px" truncate>
          {name}
        </Text>
      </chakra.button>
      {free && (
        <>
          <Deed label={words.forward(name)} onDo={() => does("movedPiece", (on) => pieceMoved(on.page, tile.id, 1))}>
            <ArrowUp size={15} />
          </Deed>
          <Deed label={words.back(name)} onDo={() => does("movedPiece", (on) => pieceMoved(on.page, tile.id, -1))}>
            <ArrowDown size={15} />
          </Deed>
        </>
      )}
      {!free && (
        <Deed
          label={isLocked(tile) ? words.unlock(name) : words.lock(name)}
          onDo={() => does("lockedTiles", locked([tile.id], !isLocked(tile)))}
        >
          {isLocked(tile) ? <Lock size={15} /> : <LockOpen size={15} />}
        </Deed>
      )}
      <Deed
        label={isHidden ? words.show(name) : words.hide(name)}
        onDo={() => does(isHidden ? "showedTile" : "hidTile", (on) => hiddenSet(on.page, tile.id, !isHidden))}
      >
        {isHidden ? <EyeOff size={15} /> : <Eye size={15} />}
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
  return (
    <Box
      w="36px"
      h="28px"
      flexShrink="0"
      borderRadius="2px"
      overflow="hidden"
      bg={tile.filling.kind === "colour" ? undefined : "oat.200"}
      style={tile.filling.kind === "colour" ? { background: tile.filling.colour } : undefined}
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
  return photo ? photo.caption || photo.name : words.empty;
}

function NameField({ tile }: { readonly tile: Tile }) {
  const session = useSession();
  const [text, setText] = useState(tile.name ?? "");
  const take = () => keep(session, "namedTile", 1, (on) => namedTile(on.page, tile.id, text));
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
