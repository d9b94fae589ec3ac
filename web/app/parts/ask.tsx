import { Button, Dialog, Portal } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { common } from "../../text/places.ts";

interface AskProps {
  readonly title: string;
  readonly doIt: string;
  readonly able?: boolean;
  readonly onDo: () => void;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A question with one thing to do and a way out. */
export function Ask({ title, doIt, able = true, onDo, onClose, children }: AskProps) {
  return (
    <Dialog.Root open onOpenChange={(e) => !e.open && onClose()} placement="center">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxW="520px">
            <Dialog.Header>
              <Dialog.Title>{title}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>{children}</Dialog.Body>
            <Dialog.Footer>
              <Button variant="outline" onClick={onClose}>
                {common.cancel}
              </Button>
              <Button disabled={!able} onClick={onDo}>
                {doIt}
              </Button>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
