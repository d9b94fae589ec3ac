import { Button, Dialog, Portal, Progress } from "@chakra-ui/react";
import { common } from "../../../text/places.ts";

interface WorkingProps {
  readonly title: string;
  /** 0 to 1. */
  readonly share: number;
  readonly onStop: () => void;
}

/** Work that takes its time: how far it is, and a way to stop it. */
export function Working({ title, share, onStop }: WorkingProps) {
  return (
    <Dialog.Root open onOpenChange={(e) => !e.open && onStop()} placement="center">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxW="420px">
            <Dialog.Header>
              <Dialog.Title>{title}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>
              <Progress.Root value={Math.round(share * 100)} max={100} aria-label={title}>
                <Progress.Track bg="oat.300" borderRadius="full" h="8px">
                  <Progress.Range bg="glaze.500" />
                </Progress.Track>
              </Progress.Root>
            </Dialog.Body>
            <Dialog.Footer>
              <Button variant="outline" onClick={onStop}>
                {common.stop}
              </Button>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
