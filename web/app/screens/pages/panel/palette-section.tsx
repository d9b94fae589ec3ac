import { Button, HStack, IconButton, Text } from "@chakra-ui/react";
import { Plus } from "lucide-react";
import { firstPalette } from "#core/artwork";
import type { Colour } from "#core/colour";
import { style as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { Tooltip } from "../../../components/tooltip.tsx";
import { useServices } from "../../../services.ts";
import { suggestPalette } from "../../../state/edit/palette.ts";
import { usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { ColourPick } from "./colour-row.tsx";

/** As many as a project holds. */
const most = 24;

/** The colours of the work: papers are drawn in them, and every row of colours shows them. */
export function PaletteSection() {
  const services = useServices();
  const session = useSession();
  const palette = usePanel((s) => s.project.palette);
  const several = usePanel((s) => s.project.pages.length > 1);
  const chosen = useViewState((s) => (s.photos.ids.size === 1 ? [...s.photos.ids][0] : undefined));
  const change = (next: readonly Colour[]) => ({ type: "setProject", palette: next }) as const;
  const keep = (next: readonly Colour[], mergeKey?: string) =>
    session.commit({ code: "changedPalette", count: 1 }, [change(next)], { mergeKey });
  const replaced = (i: number, colour: Colour) => palette.map((c, k) => (k === i ? colour : c));
  const suggest = (from: Parameters<typeof suggestPalette>[2]) => void suggestPalette(services, session, from);
  return (
    <PanelSection title={words.palette} folds="palette">
      {palette.length === 0 && (
        <Text fontSize="13.5px" color="fg.muted" mb="2">
          {words.noPalette}
        </Text>
      )}
      <HStack role="group" aria-label={words.palette} gap="1.5" wrap="wrap" mb="2">
        {palette.map((c, i) => (
          <ColourPick
            // biome-ignore lint/suspicious/noArrayIndexKey: a colour is known by its place
            key={i}
            label={words.colour(i + 1)}
            colour={c}
            filled
            onMove={(colour) => session.preview([change(replaced(i, colour))])}
            onEnd={(colour) => keep(replaced(i, colour))}
          />
        ))}
        {palette.length < most && (
          <Tooltip words={words.add}>
            <IconButton
              size="xs"
              variant="outline"
              borderRadius="full"
              aria-label={words.add}
              onClick={() => keep([...palette, nextColour(palette)])}
            >
              <Plus size={15} />
            </IconButton>
          </Tooltip>
        )}
      </HStack>
      <HStack role="group" aria-label={words.suggest} gap="1.5" wrap="wrap">
        <Text fontSize="13.5px" color="fg.muted">
          {words.suggest}
        </Text>
        <Button size="xs" px="1.5" variant="outline" onClick={() => suggest({ page: true })}>
          {words.fromPage}
        </Button>
        {several && (
          <Button size="xs" px="1.5" variant="outline" onClick={() => suggest({ work: true })}>
            {words.fromWork}
          </Button>
        )}
        {chosen !== undefined && (
          <Button size="xs" px="1.5" variant="outline" onClick={() => suggest({ photoId: chosen })}>
            {words.fromPhoto}
          </Button>
        )}
      </HStack>
    </PanelSection>
  );
}

/** One that is not there yet. */
const nextColour = (palette: readonly Colour[]): Colour => firstPalette.find((c) => !palette.includes(c)) ?? "#808080";
