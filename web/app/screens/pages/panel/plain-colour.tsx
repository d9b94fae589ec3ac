import { Box, Button } from "@chakra-ui/react";
import { PaintBucket } from "lucide-react";
import type { Colour } from "#core/colour";
import type { PlacedTile } from "#core/document";
import { panel as words } from "../../../../text/index.ts";
import { fillWithColour, fillWithColourChange } from "../../../state/edit/page-gestures.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { ColourRow } from "./colour-row.tsx";

const firstColour: Colour = "#d9d2c4";

/** A field of colour in place of a photo. */
export function PlainColour({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const session = useSession();
  const page = usePanel(openPage);
  const ids = tiles.map((t) => t.id);
  const held = tiles.find((t) => t.filling.kind === "colour")?.filling;
  const put = (colour: Colour | undefined) => fillWithColour(session, ids, colour);
  if (held?.kind !== "colour")
    return (
      <Button size="sm" variant="ghost" w="full" onClick={() => put(firstColour)}>
        <PaintBucket size={17} aria-hidden /> {words.colourInstead}
      </Button>
    );
  return (
    <Box w="full">
      <ColourRow
        label={words.fillColour}
        colour={held.colour}
        onMove={(colour) => session.preview([fillWithColourChange(page, ids, colour)])}
        onEnd={put}
      />
      <Button variant="ghost" w="full" onClick={() => put(undefined)}>
        {words.noColour}
      </Button>
    </Box>
  );
}
