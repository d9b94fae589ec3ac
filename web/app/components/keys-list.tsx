import { Box, Button, Heading, Kbd, Table, Text } from "@chakra-ui/react";
import { Fragment } from "react";
import { useMatch } from "react-router";
import { common, shortcuts as words } from "../../text/index.ts";
import { keysOf } from "../commands/shown.ts";
import { type CommandOf, type ForEachCommand, type Place, places, type Scope, scopes } from "../commands/table.ts";
import { Dialog } from "./dialog.tsx";

const isPlace = (name: string): name is Place => Object.hasOwn(places, name);

/** What each command does, in words; one without does not compile. */
const allDo = (): ForEachCommand<string> => words.does;
const does = <S extends Scope>(scope: S, command: CommandOf<S>): string => allDo()[scope][command];

/** The shortcuts of the place one is in, made from the table of commands. */
export function KeysList({ onClose }: { readonly onClose: () => void }) {
  const named = useMatch("/work/:projectId/:place")?.params.place;
  const place: Place = named !== undefined && isPlace(named) ? named : "photos";
  return (
    <Dialog
      title={words.title}
      widthPx={600}
      onClose={onClose}
      foot={
        <Button variant="outline" onClick={onClose}>
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
