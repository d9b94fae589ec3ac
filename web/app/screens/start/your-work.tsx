import { Box, Button, Heading, HStack, IconButton, SimpleGrid, Text } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { Link } from "react-router";
import { type Page, placePage } from "#core/document";
import { bleedBox } from "#core/lab";
import { formatSize } from "#core/units";
import type { ProjectCard } from "../../../storage/store.ts";
import { common, formats, start as words } from "../../../text/index.ts";
import { PageCanvas } from "../../components/page-canvas.tsx";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { openPacketStore } from "../../state/sending/packet-store.ts";
import { projectsChanged, useProjects } from "../../state/session/use-projects.ts";

const stackPx = 150;

/** What has been begun, as small stacks of its own pages. */
export function YourWork() {
  const { store, now } = useServices();
  const queries = useQueryClient();
  const work = useProjects();
  const refresh = () => projectsChanged(queries);

  async function remove({ project }: ProjectCard) {
    await store.removeProject(project.id, now());
    // What was made from it to be saved or sent can be made again, and is as private as the work.
    await openPacketStore(project.id).then((made) => made?.clear());
    await refresh();
    notices.create({
      title: words.removed(project.name),
      type: "info",
      duration: 12_000,
      action: { label: common.undoIt, onClick: () => void store.restoreProject(project.id).then(refresh) },
    });
  }

  if (work.isError)
    return (
      <HStack role="alert" mb="9" gap="4">
        <Text color="clay.600">{words.worksUnread}</Text>
        <Button size="sm" variant="outline" onClick={() => void work.refetch()}>
          {common.tryAgain}
        </Button>
      </HStack>
    );
  if (!work.data || (work.data.cards.length === 0 && work.data.damaged.length === 0)) return null;
  return (
    <Box mb="9">
      <Heading as="h2" fontSize="21px" fontWeight="520" mb="4">
        {words.yourWork}
      </Heading>
      {work.data.damaged.length > 0 && (
        <HStack color="clay.600" gap="3" mb="3">
          <Text>{words.damaged(work.data.damaged.length)}</Text>
          {work.data.damaged.map((id) => (
            <Button key={id} asChild size="sm" variant="outline">
              <Link to={`/work/${id}/pages`}>{words.seeDamaged}</Link>
            </Button>
          ))}
        </HStack>
      )}
      <SimpleGrid minChildWidth="190px" gap="6" templateColumns="repeat(auto-fill, 190px)">
        {work.data.cards.map((card) => (
          <Box key={card.project.id} position="relative" role="group">
            <Link to={`/work/${card.project.id}/pages`} aria-label={words.open(card.project.name)}>
              <Stack card={card} />
              <Text fontWeight="600" truncate mt="3">
                {card.project.name}
              </Text>
              <Text fontSize="13.5px" color="fg.subtle">
                {formatSize(
                  card.project.format.widthMm,
                  card.project.format.heightMm,
                  card.project.unit,
                  card.project.format.ppi,
                )}
                {card.pageCount > 1 && ` · ${words.pageCount(card.pageCount)}`}
              </Text>
              <Text fontSize="13.5px" color="fg.subtle">
                {words.lastWorked(formats.dayHere(card.savedAt))}
              </Text>
            </Link>
            <IconButton
              position="absolute"
              right="0"
              bottom="0"
              variant="ghost"
              size="sm"
              aria-label={words.remove(card.project.name)}
              onClick={() => void remove(card)}
            >
              <Trash2 size={17} />
            </IconButton>
          </Box>
        ))}
      </SimpleGrid>
    </Box>
  );
}

function Stack({ card }: { readonly card: ProjectCard }) {
  const { format, pages, style } = card.project;
  const at = (page: Page) => placePage(page, format, style);
  const box = bleedBox(format);
  const scale = stackPx / Math.max(box.w, box.h);
  return (
    <Box h={`${stackPx + 22}px`} display="grid" placeItems="center" bg="mat.light" borderRadius="card">
      {pages.length > 1 && (
        <Box
          gridArea="1 / 1"
          w={`${box.w * scale}px`}
          h={`${box.h * scale}px`}
          boxShadow="paper"
          bg="white"
          overflow="hidden"
          transform="rotate(3.5deg)"
        >
          <PageCanvas page={at(pages[1]!)} scale={scale} />
        </Box>
      )}
      <Box
        gridArea="1 / 1"
        position="relative"
        w={`${box.w * scale}px`}
        h={`${box.h * scale}px`}
        boxShadow="paper"
        bg="white"
        transition="transform 160ms"
        _groupHover={{ transform: "translateY(-3px)" }}
        overflow="hidden"
      >
        <PageCanvas page={at(pages[0]!)} scale={scale} />
      </Box>
    </Box>
  );
}
