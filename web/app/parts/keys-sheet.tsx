import { Button, Dialog, IconButton, Kbd, Portal, Table } from "@chakra-ui/react";
import { Keyboard } from "lucide-react";
import { useEffect, useState } from "react";
import { useMatch } from "react-router";
import { keys } from "../../text/keys.ts";
import { common, walk } from "../../text/places.ts";
import { typingIn } from "./typing-in.ts";

type Place = Exclude<keyof typeof keys, "title">;

/** The shortcuts of the place one is in; `?` opens it. */
export function KeysSheet() {
  const [open, setOpen] = useState(false);
  const place = (useMatch("/work/:projectId/:place")?.params.place ?? "photos") as Place;
  useEffect(() => {
    const hear = (e: KeyboardEvent) => {
      if (e.key === "?" && !typingIn(e.target)) setOpen(true);
    };
    window.addEventListener("keydown", hear);
    return () => window.removeEventListener("keydown", hear);
  }, []);
  return (
    <Dialog.Root open={open} onOpenChange={(e) => setOpen(e.open)} placement="center">
      <Dialog.Trigger asChild>
        <IconButton aria-label={walk.shortcuts} variant="ghost" size="sm">
          <Keyboard size={19} />
        </IconButton>
      </Dialog.Trigger>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxW="560px">
            <Dialog.Header>
              <Dialog.Title>{keys.title}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>
              <Table.Root size="sm">
                <Table.Body>
                  {keys[place].map(([key, does]) => (
                    <Table.Row key={key} bg="transparent">
                      <Table.Cell w="46%" borderColor="oat.300">
                        <Kbd bg="oat.200" color="ink.900" fontFamily="body">
                          {key}
                        </Kbd>
                      </Table.Cell>
                      <Table.Cell borderColor="oat.300">{does}</Table.Cell>
                    </Table.Row>
                  ))}
                </Table.Body>
              </Table.Root>
            </Dialog.Body>
            <Dialog.Footer>
              <Button variant="outline" onClick={() => setOpen(false)}>
                {common.close}
              </Button>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
