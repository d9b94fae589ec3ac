import { Button, IconButton, Kbd, Table } from "@chakra-ui/react";
import { Keyboard } from "lucide-react";
import { useEffect, useState } from "react";
import { useMatch } from "react-router";
import { keys } from "../../text/keys.ts";
import { common, walk } from "../../text/screens.ts";
import { Dialog } from "./dialog.tsx";
import { typingIn } from "./typing-in.ts";

type Place = Exclude<keyof typeof keys, "title">;

const isPlace = (name: string): name is Place => name !== "title" && name in keys;

/** The shortcuts of the place one is in; `?` opens it. */
export function KeysSheet() {
  const [open, setOpen] = useState(false);
  const named = useMatch("/work/:projectId/:place")?.params.place;
  const place: Place = named !== undefined && isPlace(named) ? named : "photos";
  useEffect(() => {
    const hear = (e: KeyboardEvent) => {
      if (e.key === "?" && !typingIn(e.target)) setOpen(true);
    };
    window.addEventListener("keydown", hear);
    return () => window.removeEventListener("keydown", hear);
  }, []);
  return (
    <>
      <IconButton aria-label={walk.shortcuts} variant="ghost" size="sm" onClick={() => setOpen(true)}>
        <Keyboard size={19} />
      </IconButton>
      {open && (
        <Dialog
          title={keys.title}
          widthPx={560}
          onClose={() => setOpen(false)}
          foot={
            <Button variant="outline" onClick={() => setOpen(false)}>
              {common.close}
            </Button>
          }
        >
          <Table.Root size="sm">
            <Table.Body>
              {keys[place].map(([key, does]) => (
                <Table.Row key={key} bg="transparent">
                  <Table.Cell w="46%" borderColor="oat.300">
                    <Kbd bg="oat.200" color="ink.900" fontFamily="body" wordSpacing="normal">
                      {key}
                    </Kbd>
                  </Table.Cell>
                  <Table.Cell borderColor="oat.300">{does}</Table.Cell>
                </Table.Row>
              ))}
            </Table.Body>
          </Table.Root>
        </Dialog>
      )}
    </>
  );
}
