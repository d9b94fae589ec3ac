import { Button, HStack } from "@chakra-ui/react";
import { Captions, Heading1, NotebookPen, Type } from "lucide-react";
import { arrangedTiles } from "#core/document";
import { words as say } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { notices } from "../../../notices/notices.ts";
import { useServices } from "../../../services.ts";
import { addWords, captionsForAll } from "../../../state/edit/word-gestures.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";

/** Words onto the page: on their own, or under its photos. */
export function AddWords() {
  const services = useServices();
  const session = useSession();
  const facts = useFacts();
  const photos = usePanel((s) => arrangedTiles(openPage(s)).filter((t) => t.filling.kind === "photo").length);
  const kinds = [
    ["title", Heading1],
    ["caption", Type],
    ["journal", NotebookPen],
  ] as const;
  return (
    <PanelSection title={say.add}>
      <HStack gap="2" wrap="wrap">
        {kinds.map(([role, Icon]) => (
          <Button key={role} size="sm" variant="outline" onClick={() => addWords(services, session, role)}>
            <Icon size={16} aria-hidden /> {say.roles[role]}
          </Button>
        ))}
        {photos > 0 && (
          <Button
            size="sm"
            variant="ghost"
            onClick={async () => {
              const n = await captionsForAll(services, session, facts);
              notices.create({ title: n > 0 ? say.captionsAdded(n) : say.noCaptions, type: "info" });
            }}
          >
            <Captions size={16} aria-hidden /> {say.captionsAll}
          </Button>
        )}
      </HStack>
    </PanelSection>
  );
}
