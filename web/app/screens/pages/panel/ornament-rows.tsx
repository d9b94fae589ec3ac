import { Button, HStack, Text } from "@chakra-ui/react";
import { newOrnament, type OrnamentName, ornamentDesign } from "#core/artwork";
import type { PlacedTile } from "#core/document";
import { ornaments as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { ornamentChange } from "../../../state/edit/ornaments.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { ColourPick } from "./colour-row.tsx";

/** The colours of an ornament, or of several: what is set is set on all of them that have that ink. */
export function OrnamentRows({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const session = useSession();
  const palette = usePanel((s) => s.project.palette);
  const held = tiles.filter((t) => t.filling.kind === "ornament");
  const [first] = held;
  if (first?.filling.kind !== "ornament") return null;
  const { ornament } = first.filling;
  const ids = held.map((t) => t.id);
  const inked = (i: number, colour: string) =>
    ornamentChange(session, ids, (was) => ({
      ...was,
      colours: was.colours.map((c, k) => (k === i ? colour : c)),
      ownColours: true,
    }));
  const byPalette = () =>
    session.commit({ code: "changedOrnament", count: ids.length }, [
      ornamentChange(session, ids, ({ ownColours: _, ...was }) =>
        ornamentDesign(was.design)
          ? { ...was, colours: newOrnament(was.design as OrnamentName, palette).colours }
          : was,
      ),
    ]);
  return (
    <PanelSection title={words.title} folds="ornament">
      <Text fontSize="14px" mb="2">
        {words.nameOf(ornament.design)}
      </Text>
      <HStack role="group" aria-label={words.colours} gap="1.5" mb="1" wrap="wrap">
        {ornament.colours.map((c, i) => (
          <ColourPick
            // biome-ignore lint/suspicious/noArrayIndexKey: an ink is known by its place
            key={i}
            label={words.ink(i + 1)}
            colour={c}
            filled
            onMove={(colour) => session.preview([inked(i, colour)])}
            onEnd={(colour) => session.commit({ code: "changedOrnament", count: ids.length }, [inked(i, colour)])}
          />
        ))}
        {ornament.ownColours && (
          <Button size="xs" px="1.5" variant="ghost" onClick={byPalette}>
            {words.byPalette}
          </Button>
        )}
      </HStack>
    </PanelSection>
  );
}
