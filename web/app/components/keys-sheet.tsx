import { Box, Button, Heading, IconButton, Kbd, Table, Text } from "@chakra-ui/react";
import { Keyboard } from "lucide-react";
import { Fragment, useState } from "react";
import { useMatch } from "react-router";
import { common, walk, keys as words } from "../../text/index.ts";
import { useKeys } from "../commands/hear.ts";
import { does, hint, keysOf } from "../commands/shown.ts";
import { type CommandOf, type Place, places, type Scope, scopes } from "../commands/table.ts";
import { Dialog } from "./dialog.tsx";
import { Tooltip } from "./tooltip.tsx";

const isPlace = (name: string): name is Place => Object.hasOwn(places, name);

/** The shortcuts of the place one is in, made from the table of commands. */
export function KeysSheet() {
  const [open, setOpen] = useState(false);
  const named = useMatch("/work/:projectId/:place")?.params.place;
  const place: Place = named !== undefined && isPlace(named) ? named : "photos";
  useKeys("anywhere", { showKeys: () => setOpen(true) });
  return (
    <>
      <Tooltip words={hint(walk.shortcuts, "anywhere", "showKeys")}>
        <IconButton aria-label={walk.shortcuts} variant="ghost" size="sm" onClick={() => setOpen(true)}>
          <Keyboard size={19} />
        </IconButton>
      </Tooltip>
      {open && (
        <Dialog
          title={words.title}
          widthPx={600}
          onClose={() => setOpen(false)}
          foot={
            <Button variant="outline" onClick={() => setOpen(false)}>
              {common.close}
            </Button>
          }
        >
          <Text fontSize="14px" color="fg.muted">
            {words.tab}
          </Text>
          {[...places[place], "anywhere" as const].map((scope) => (
            <ScopeKeys key={scope} scope={scope} />
          ))}
        </Dialog>
      )}
    </>
  );
}

function ScopeKeys<S extends Scope>({ scope }: { readonly scope: S }) {
  const commands = Object.keys(scopes[scope]) as (CommandOf<S> & string)[];
  return (
    <Box mt="4">
      <Heading as="h3" fontSize="15px" fontWeight="560" mb="1">
        {words.scopes[scope]}
      </Heading>
      <Table.Root size="sm">
        <Table.Body>
          {commands.map((command) => (
            <Table.Row key={command} bg="transparent">
              <Table.Cell w="46%" borderColor="oat.300" pl="0">
                {keysOf(scope, command).map((pressed, i) => (
                  <Fragment key={pressed}>
                    {i > 0 && words.or}
                    <Kbd bg="oat.200" color="ink.900" fontFamily="body" wordSpacing="normal">
                      {pressed}
                    </Kbd>
                  </Fragment>
                ))}
              </Table.Cell>
              <Table.Cell borderColor="oat.300">{does(scope, command)}</Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}
