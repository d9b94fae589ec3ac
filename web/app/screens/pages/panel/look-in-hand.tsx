import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { Paintbrush } from "lucide-react";
import { panel as words } from "../../../../text/index.ts";
import { Act, PanelTitle } from "../../../components/panel-parts.tsx";
import { useServices } from "../../../services.ts";
import { useViewState } from "../../../state/session/hooks.ts";

/** The panel's title, with a button that takes this tile's look in hand; while one is in hand, what to do with it. */
export function TitleWithLook({ title, tileId }: { readonly title: string; readonly tileId?: string }) {
  const { viewState } = useServices();
  const from = useViewState((s) => s.lookFrom);
  return (
    <>
      <HStack justify="space-between" align="start">
        <PanelTitle>{title}</PanelTitle>
        {tileId !== undefined && from === undefined && (
          <Act icon={Paintbrush} name={words.takeLook} onAct={() => viewState.setState({ lookFrom: tileId })} />
        )}
      </HStack>
      {from !== undefined && (
        <Box bg="glaze.50" borderRadius="soft" px="3" py="2" mb="3" role="status">
          <Text fontSize="14px" mb="1.5">
            {words.lookInHand}
          </Text>
          <Button size="sm" variant="outline" onClick={() => viewState.setState({ lookFrom: undefined })}>
            {words.lookDone}
          </Button>
        </Box>
      )}
    </>
  );
}
