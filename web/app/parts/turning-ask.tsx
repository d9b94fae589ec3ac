import { Button, Dialog, Portal, Text, VStack } from "@chakra-ui/react";
import { book as words } from "../../text/book.ts";
import { common } from "../../text/places.ts";
import { useKit } from "../kit.ts";
import { useDesk } from "../state/hooks.ts";

/** Asks before pages come to lie on the other side, and offers the way in which none does. */
export function TurningAsk() {
  const { desk } = useKit();
  const turning = useDesk((s) => s.turning);
  if (!turning) return null;
  const close = () => desk.setState({ turning: undefined });
  const take = (doIt: () => void) => () => {
    close();
    doIt();
  };
  return (
    <Dialog.Root open onOpenChange={(e) => !e.open && close()} placement="center">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxW="480px">
            <Dialog.Header>
              <Dialog.Title>{words.shiftTitle}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>
              <Text color="fg.muted" mb="4">
                {turning.doIt ? words.shiftLead : words.splitLead}
              </Text>
              <VStack align="stretch" gap="2">
                {turning.keep && <Button onClick={take(turning.keep.doIt)}>{turning.keep.words}</Button>}
                {turning.doIt && (
                  <Button variant="outline" onClick={take(turning.doIt)}>
                    {words.shiftDo}
                  </Button>
                )}
                <Button variant="ghost" onClick={close}>
                  {common.cancel}
                </Button>
              </VStack>
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
