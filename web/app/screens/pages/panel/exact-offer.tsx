import { Button, HStack, Text } from "@chakra-ui/react";
import { Grid2x2Check } from "lucide-react";
import { useEffect, useState } from "react";
import type { PlacedTile } from "#core/document";
import { furthestMove, madeExact } from "#core/edit";
import { formatLength } from "#core/units";
import { free as words } from "../../../../text/index.ts";
import { useServices } from "../../../services.ts";
import { keep } from "../../../state/edit/tree-gestures.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { openPlaced } from "../../../state/session/project-session.ts";
import { nothingChosen } from "../../../state/view-state/choose.ts";

/** Tiles that were put down by eye, as the group that is nearest to them: shown with where they lie now, and taken or not. */
export function ExactOffer({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const { viewState, newId } = useServices();
  const session = useSession();
  const { unit, format } = usePanel((s) => s.project);
  const [offered, setOffered] = useState<number>();
  const ids = tiles.map((t) => t.id);
  // Whoever chooses something else has left it.
  useEffect(
    () => () => {
      viewState.setState({ traces: [] });
      session.dropPreview();
    },
    [session, viewState],
  );
  const leave = () => {
    viewState.setState({ traces: [] });
    session.dropPreview();
    setOffered(undefined);
  };
  const offer = () => {
    const on = openPlaced(session.state.getState());
    const next = madeExact(on, ids, newId);
    viewState.setState({ traces: tiles.map((t) => t.frame) });
    session.preview([{ type: "replacePage", page: next }]);
    setOffered(furthestMove(on, next, ids));
  };
  if (offered === undefined)
    return (
      <Button variant="outline" title={words.exactMeans} onClick={offer}>
        <Grid2x2Check size={17} aria-hidden /> {words.exact}
      </Button>
    );
  return (
    <>
      <Text fontSize="13.5px" color="fg.muted" role="status">
        {words.exactMoves(formatLength(offered, unit, format.ppi))}
      </Text>
      <HStack gap="1.5">
        <Button
          size="sm"
          flex="1"
          onClick={() => {
            leave();
            keep(session, "madeExact", ids.length, (on) => madeExact(on, ids, newId));
            viewState.setState({ tiles: nothingChosen });
          }}
        >
          {words.exactTake}
        </Button>
        <Button size="sm" flex="1" variant="outline" onClick={leave}>
          {words.exactLeave}
        </Button>
      </HStack>
    </>
  );
}
