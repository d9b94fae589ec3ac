import { Button, HStack } from "@chakra-ui/react";
import { Captions, Heading1, LetterText, List, ListOrdered, NotebookPen, Type, WholeWord } from "lucide-react";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { arrangedTiles } from "#core/document";
import { letters, words as say } from "../../../../text/index.ts";
import { notices } from "../../../notices/notices.ts";
import { useServices } from "../../../services.ts";
import { captionsForAll } from "../../../state/edit/captions.ts";
import { addContents, addWords } from "../../../state/edit/word-gestures.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { DrawerFrame } from "./drawer-frame.tsx";
import { LettersDialog } from "./letters-dialog.tsx";
import { useDrawerPx } from "./shelf-size.ts";

/** Words onto the page: on their own, or under its photos. */
export function WordsDrawer() {
  const services = useServices();
  const session = useSession();
  const facts = useFacts();
  const { projectId } = useParams();
  const photos = usePanel((s) => arrangedTiles(openPage(s)).filter((t) => t.filling.kind === "photo").length);
  const kinds = [
    ["title", Heading1],
    ["caption", Type],
    ["journal", NotebookPen],
  ] as const;
  const lettered = [
    ["word", WholeWord],
    ["each", LetterText],
  ] as const;
  const [dialog, setDialog] = useState<"word" | "each">();
  const height = useDrawerPx();
  return (
    <DrawerFrame
      tools={
        <HStack gap="1">
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
          <Button size="sm" variant="ghost" asChild>
            <Link to={`/work/${projectId}/words`}>
              <List size={16} aria-hidden /> {say.all}
            </Link>
          </Button>
        </HStack>
      }
    >
      <HStack px="4" pt="1" gap="3" align="start" style={{ height }}>
        {kinds.map(([role, Icon]) => (
          <Button
            key={role}
            variant="outline"
            h="88px"
            minW="132px"
            flexDirection="column"
            gap="2"
            onClick={() => void addWords(services, session, role, facts)}
          >
            <Icon size={24} aria-hidden /> {say.roles[role]}
          </Button>
        ))}
        <Button
          variant="outline"
          h="88px"
          minW="132px"
          flexDirection="column"
          gap="2"
          onClick={async () => {
            if (!(await addContents(services, session, facts))) notices.create({ title: say.noTitles, type: "info" });
          }}
        >
          <ListOrdered size={24} aria-hidden /> {say.contents}
        </Button>
        {lettered.map(([mode, Icon]) => (
          <Button
            key={mode}
            variant="outline"
            h="88px"
            minW="132px"
            flexDirection="column"
            gap="2"
            onClick={() => setDialog(mode)}
          >
            <Icon size={24} aria-hidden /> {letters[mode]}
          </Button>
        ))}
      </HStack>
      {dialog && <LettersDialog mode={dialog} onClose={() => setDialog(undefined)} />}
    </DrawerFrame>
  );
}
