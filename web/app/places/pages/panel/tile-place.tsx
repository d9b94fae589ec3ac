import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { Columns2, Crown, Rows2, X } from "lucide-react";
import { photoIdOf, type Tile } from "#core/document";
import { aspectOf } from "#core/photo";
import { panel as words } from "../../../../text/pages.ts";
import { useKit } from "../../../kit.ts";
import { Choose } from "../../../parts/choose-one.tsx";
import { leadBy, leadOf } from "../../../state/arrange-photos.ts";
import { nothingChosen } from "../../../state/choose.ts";
import { shownPage, useLibrary, useProject, useSession } from "../../../state/hooks.ts";
import { halved, keep, shaped, takenAway } from "../../../state/tree-gestures.ts";
import { PanelSection } from "./parts.tsx";

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
const shares = [0.2, 0.3, 0.4, 0.5, 0.6];

/** What can be done with a tile's place: the others make room. */
export function TilePlace({ tile }: { readonly tile: Tile }) {
  const kit = useKit();
  const session = useSession();
  const byId = useLibrary((s) => s.byId);
  const page = useProject(shownPage);
  if (!page.arrangement) return null;
  const photo = byId.get(photoIdOf(tile) ?? "");
  const lead = leadOf(page);
  const leads = lead?.tileId === tile.id;
  const now = tile.frame.width / tile.frame.height;
  const named = shapes.find(([, aspect]) => Math.abs(aspect / now - 1) < 0.006);
  const asPhoto = photo && Math.abs(aspectOf(photo) / now - 1) < 0.006;
  const take = () => {
    keep(session, "tookAway", 1, takenAway([tile.id]));
    kit.desk.setState({ tiles: nothingChosen });
  };
  return (
    <PanelSection>
      {photo && page.tiles.length > 2 && (
        <HStack mb="2.5" gap="2">
          <Button
            size="sm"
            variant="outline"
            flex="1"
            aria-pressed={leads}
            onClick={() => leadBy(kit, session, leads ? undefined : tile.id, 0.4)}
            {...(leads ? { bg: "glaze.50", borderColor: "glaze.500", color: "glaze.700" } : {})}
          >
            <Crown size={16} aria-hidden /> {words.lead}
          </Button>
          {leads && (
            <Box w="96px">
              <Choose<string>
                label={words.leadShare}
                value={String(shares.find((s) => Math.abs(s - lead.share) < 0.01) ?? lead.share)}
                options={shares.map((s) => [String(s), `${s * 100} %`])}
                onChoose={(s) => leadBy(kit, session, tile.id, Number(s))}
              />
            </Box>
          )}
        </HStack>
      )}
      <HStack mb="2.5" gap="2" justify="space-between">
        <Text fontSize="14px" fontWeight="500" color="fg.muted">
          {words.shape}
        </Text>
        <Box w="150px">
          <Choose<string>
            label={words.shape}
            value={asPhoto ? "photo" : (named?.[0] ?? "own")}
            options={[
              ...(asPhoto || named ? [] : ([["own", now.toFixed(2)]] as [string, string][])),
              ...(photo ? ([["photo", words.shapeOfPhoto]] as [string, string][]) : []),
              ...shapes.map(([name]): [string, string] => [name, name]),
            ]}
            onChoose={(name) => {
              const aspect = name === "photo" && photo ? aspectOf(photo) : shapes.find((s) => s[0] === name)?.[1];
              if (aspect) keep(session, "arrangedAnew", 1, shaped(tile.id, aspect));
            }}
          />
        </Box>
      </HStack>
      <HStack wrap="wrap" gap="2">
        <Button
          size="sm"
          variant="outline"
          aria-label={words.splitAcross}
          title={words.splitAcross}
          onClick={() => keep(session, "halvedTile", 1, halved(tile.id, "side", kit.newId))}
        >
          <Columns2 size={16} aria-hidden />
        </Button>
        <Button
          size="sm"
          variant="outline"
          aria-label={words.splitDown}
          title={words.splitDown}
          onClick={() => keep(session, "halvedTile", 1, halved(tile.id, "stack", kit.newId))}
        >
          <Rows2 size={16} aria-hidden />
        </Button>
        <Button size="sm" variant="outline" flex="1" onClick={take}>
          <X size={16} aria-hidden /> {words.takeAway}
        </Button>
      </HStack>
    </PanelSection>
  );
}
