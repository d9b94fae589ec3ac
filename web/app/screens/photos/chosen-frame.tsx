import { Button, HStack, Text } from "@chakra-ui/react";
import { Info, Trash2, X } from "lucide-react";
import type { ReactNode } from "react";
import type { Photo } from "#core/photo";
import { photos as photoWords, chosenWords as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import { useViewState } from "../../state/session/hooks.ts";
import { nothingChosen } from "../../state/view-state/choose.ts";
import { RemoveDialog } from "./remove-dialog.tsx";

interface ChosenFrameProps {
  readonly chosen: readonly Photo[];
  /** What can be done with them besides taking them away and looking closer. */
  readonly children?: ReactNode;
  /** The one thing to do next. */
  readonly end?: ReactNode;
}

/** How many are chosen, and what can be done with anything in the library. */
export function ChosenFrame({ chosen, children, end }: ChosenFrameProps) {
  const { viewState } = useServices();
  const removing = useViewState((s) => s.removing);
  const setRemoving = (removing: boolean) => viewState.setState({ removing });
  return (
    <HStack
      as="section"
      aria-label={words.label}
      px="6"
      py="2.5"
      gap="2"
      bg="oat.50"
      borderTopWidth="1px"
      borderColor="oat.300"
    >
      <Text fontWeight="600" minW="90px" role="status">
        {photoWords.chosen(chosen.length)}
      </Text>
      {children}
      <Button size="sm" variant="ghost" onClick={() => setRemoving(true)}>
        <Trash2 size={17} aria-hidden /> {words.remove}
      </Button>
      {chosen.length === 1 && (
        <Button size="sm" variant="ghost" onClick={() => viewState.setState({ sheet: chosen[0]!.id })}>
          <Info size={17} aria-hidden /> {words.sheet}
        </Button>
      )}
      <Button size="sm" variant="ghost" ml="auto" onClick={() => viewState.setState({ photos: nothingChosen })}>
        <X size={17} aria-hidden /> {words.none}
      </Button>
      {end}
      {removing && <RemoveDialog chosen={chosen} onClose={() => setRemoving(false)} />}
    </HStack>
  );
}
