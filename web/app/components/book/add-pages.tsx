import { Button, Menu, Portal } from "@chakra-ui/react";
import { FilePlus } from "lucide-react";
import { book as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import { addPages, type PageWhere } from "../../state/edit/page-list.ts";
import { useSession } from "../../state/session/hooks.ts";

const counts = [1, 2, 10] as const;
const wheres: readonly PageWhere[] = ["before", "after", "end"];

/** One page, two or ten, before or after the open one or at the end. */
export function AddPages() {
  const services = useServices();
  const session = useSession();
  return (
    <Menu.Root
      onSelect={({ value }) => {
        const [count, where] = value.split(" ") as [string, PageWhere];
        addPages(services, session, Number(count), where);
      }}
    >
      <Menu.Trigger asChild>
        <Button variant="outline">
          <FilePlus size={17} aria-hidden /> {words.addWhere}
        </Button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content bg="oat.25" borderRadius="card" boxShadow="lifted">
            {wheres.flatMap((where) =>
              counts.map((count) => (
                <Menu.Item key={`${count} ${where}`} value={`${count} ${where}`}>
                  {words.addDo(count)} {words.addWheres[where]}
                </Menu.Item>
              )),
            )}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
