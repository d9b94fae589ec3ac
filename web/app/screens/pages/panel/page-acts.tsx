import { HStack } from "@chakra-ui/react";
import { CopyPlus, FilePlus, Trash2 } from "lucide-react";
import { run as words } from "../../../../text/index.ts";
import { Act } from "../../../components/panel-parts.tsx";
import { useServices } from "../../../services.ts";
import { addPage, copyThePage, removeThePage } from "../../../state/edit/page-list.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";

/** More pages in the same work, or one fewer. */
export function PageActs() {
  const services = useServices();
  const session = useSession();
  const count = usePanel((s) => s.project.pages.length);
  const deeds = [
    [FilePlus, words.add, addPage],
    [CopyPlus, words.copy, copyThePage],
    ...(count > 1 ? ([[Trash2, words.remove, removeThePage]] as const) : []),
  ] as const;
  return (
    <HStack gap="1" role="group" aria-label={words.title}>
      {deeds.map(([icon, name, deed]) => (
        <Act key={name} icon={icon} name={name} onAct={() => deed(services, session)} />
      ))}
    </HStack>
  );
}
