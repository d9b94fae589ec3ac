import { Button, HStack } from "@chakra-ui/react";
import type { PlacedTile } from "#core/document";
import { dress as words } from "../../../../text/index.ts";
import { Tooltip } from "../../../components/tooltip.tsx";
import { useServices } from "../../../services.ts";
import { fadeIntoPage, unfade } from "../../../state/edit/fades.ts";
import { useSession } from "../../../state/session/hooks.ts";

/** Parts of photos hidden: by themselves along the edge, or by hand with a brush. */
export function FadeRows({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const services = useServices();
  const session = useSession();
  const photos = tiles.flatMap((t) => (t.filling.kind === "photo" ? [{ id: t.id, fade: t.filling.view.fade }] : []));
  const [only] = photos;
  if (!only) return null;
  const ids = photos.map((p) => p.id);
  const faded = photos.some((p) => p.fade);
  return (
    <HStack wrap="wrap" gap="1" mb="2.5">
      <Tooltip words={words.fadeAroundHelp}>
        <Button size="sm" variant="outline" w="full" onClick={() => fadeIntoPage(services, session, ids)}>
          {words.fadeAround}
        </Button>
      </Tooltip>
      {tiles.length === 1 && (
        <Button
          size="sm"
          variant="outline"
          w="full"
          onClick={() => services.viewState.setState({ reframing: only.id, brushing: true })}
        >
          {faded ? words.brushAgain : words.brush}
        </Button>
      )}
      {faded && (
        <Button size="sm" variant="ghost" w="full" onClick={() => unfade(session, ids)}>
          {words.unfade}
        </Button>
      )}
    </HStack>
  );
}
