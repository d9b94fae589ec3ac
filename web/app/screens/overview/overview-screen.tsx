import { Box, Button, Flex, Heading, HStack, Text } from "@chakra-ui/react";
import { BookOpen, Columns2, Gauge, RectangleHorizontal, Trash2 } from "lucide-react";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { openingOf, type Page } from "#core/document";
import { pace as paceWords, run, book as words } from "../../../text/index.ts";
import { useUndoKeys } from "../../commands/history-keys.ts";
import { AddPages } from "../../components/book/add-pages.tsx";
import { PaceDialog } from "../../components/book/pace-dialog.tsx";
import { Changeable } from "../../components/changeable.tsx";
import { SideChangeQuestion } from "../../components/side-change-question.tsx";
import { useServices } from "../../services.ts";
import { joinPages, openThe, removeThePage, splitSpread } from "../../state/edit/page-list.ts";
import { usePageCountWords } from "../../state/session/book-facts.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { openPage } from "../../state/session/project-session.ts";
import { OpeningsGrid } from "./openings-grid.tsx";
import { PaceChart } from "./pace-chart.tsx";

/** All pages at once: to reorder, add and take away, with the pace of the book over them. */
export function OverviewScreen() {
  const services = useServices();
  const session = useSession();
  const navigate = useNavigate();
  const { projectId } = useParams();
  const project = useProject((s) => s.project);
  const open = useProject(openPage);
  const count = usePageCountWords();
  const [pacing, setPacing] = useState(false);
  useUndoKeys();
  const { pages } = project;
  const isBook = project.kind === "book";
  const opening = openingOf(project, open.id);

  const go = (page: Page) => {
    openThe(services, session, page);
    void navigate(`/work/${projectId}/pages`);
  };
  return (
    <Flex direction="column" h="full" minH="0">
      <Box px="8" pt="5" pb="3" borderBottomWidth="1px" borderColor="oat.300" bg="oat.25">
        <HStack justify="space-between" mb="3" gap="4" wrap="wrap">
          <Box>
            <Heading as="h1" fontSize="26px" fontWeight="520">
              {words.overview}
            </Heading>
            <Text fontSize="14px" color={count.fits ? "fg.muted" : "saffron.700"} role="status">
              {count.words}
            </Text>
          </Box>
          <HStack gap="2" wrap="wrap">
            <Changeable quiet>
              {isBook && (
                <Button onClick={() => setPacing(true)}>
                  <Gauge size={17} aria-hidden /> {paceWords.open}
                </Button>
              )}
              {project.kind !== "pockets" && <AddPages />}
              {isBook && opening?.left && opening.right && (
                <Button variant="outline" onClick={() => joinPages(services, session)}>
                  <RectangleHorizontal size={17} aria-hidden /> {words.makeSpread}
                </Button>
              )}
              {open.span === 2 && (
                <Button variant="outline" onClick={() => splitSpread(services, session)}>
                  <Columns2 size={17} aria-hidden /> {words.splitSpread}
                </Button>
              )}
              {pages.length > 1 && (
                <Button variant="outline" onClick={() => removeThePage(services, session)}>
                  <Trash2 size={17} aria-hidden /> {run.remove}
                </Button>
              )}
            </Changeable>
            <Button variant="outline" onClick={() => go(open)}>
              <BookOpen size={17} aria-hidden /> {words.toPages}
            </Button>
          </HStack>
        </HStack>
        <PaceChart onOpen={(page) => openThe(services, session, page)} />
      </Box>
      <OpeningsGrid onGo={go} />
      {pacing && <PaceDialog fromHere={false} onClose={() => setPacing(false)} />}
      <SideChangeQuestion />
    </Flex>
  );
}
