import { Box, Button, Heading, HStack, IconButton, SimpleGrid, Text } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { formatOf, type Page, type PlacedPage, type Project, placePage } from "#core/document";
import { bleedBox, type PageFormat } from "#core/lab";
import { formatSize } from "#core/units";
import type { ProjectCard } from "../../../storage/store.ts";
import { common, formats, start as words } from "../../../text/index.ts";
import { PageCanvas } from "../../components/page-canvas.tsx";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { openPacketStore } from "../../state/sending/packet-store.ts";
import { projectsChanged, useProjects } from "../../state/session/use-projects.ts";

const stackPx = 128;
/** What stands in a row at the usual width of a window; more come when they are asked for. */
const shownAtFirst = 5;

/** What has been begun, as small stacks of its own pages. */
export function YourWork() {
  const { store, now } = useServices();
  const queries = useQueryClient();
  const work = useProjects();
  const [every, setEvery] = useState(false);
  const refresh = () => projectsChanged(queries);

  async function remove({ project }: ProjectCard) {
    await store.removeProject(project.id, now());
    // What was made from it to be saved or sent can be made again, and is as private as the work.
    await openPacketStore(project.id).then((made) => made?.clear());
    await refresh();
    notices.create({
      title: words.removed(project.name),
      type: "info",
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
  const { cards } = work.data;
  const more = cards.length > shownAtFirst;
  return (
    <Box mb="8">
      <HStack justify="space-between" mb="3">
        <Heading as="h2" fontSize="21px" fontWeight="520">
          {words.yourWork}
        </Heading>
        {more && (
          <Button size="sm" variant="ghost" aria-expanded={every} onClick={() => setEvery(!every)}>
            {every ? words.fewerWorks : words.allWorks(cards.length)}
          </Button>
        )}
      </HStack>
      {work.data.damaged.length > 0 && (
        <HStack color="clay.600" gap="3" mb="3">
          <Text>{words.damaged(work.data.damaged.length)}</Text>
          {work.data.damaged.map((id) => (
            <Button key={id} asChild size="sm" variant="outline">
              <Link to={`/work/${id}`}>{words.seeDamaged}</Link>
            </Button>
          ))}
        </HStack>
      )}
      <SimpleGrid minChildWidth="190px" gap="6" templateColumns="repeat(auto-fill, 190px)">
        {(every ? cards : cards.slice(0, shownAtFirst)).map((card) => (
          <Box key={card.project.id} position="relative" role="group">
            <Link to={`/work/${card.project.id}`} aria-label={words.open(card.project.name)}>
              <Stack card={card} />
              <Text fontWeight="600" truncate mt="3">
                {card.project.name}
              </Text>
              <Text fontSize="13.5px" color="fg.subtle">
                {factsOf(card)}
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

/** Its size and its pages; prints have sizes of their own. */
function factsOf({ project, pageCount }: ProjectCard): string {
  const { kind, format, unit, pages } = project;
  if (kind === "prints") return words.printCount(pages[0]?.print ? pageCount : 0);
  const size = formatSize(format.widthMm, format.heightMm, unit, format.ppi);
  return pageCount > 1 ? `${size} · ${words.pageCount(pageCount)}` : size;
}

function Stack({ card }: { readonly card: ProjectCard }) {
  const { project } = card;
  const { pages, style } = project;
  return (
    <Box h={`${stackPx + 22}px`} display="grid" placeItems="center" bg="mat.light" borderRadius="card">
      {pages.length > 1 && <Sheet page={placePage(pages[1]!, formatHere(project, pages[1]!), style)} under />}
      <Sheet page={placePage(pages[0]!, formatHere(project, pages[0]!), style)} />
    </Box>
  );
}

/** A card knows only the first pages of a book, so no page of it knows its side. */
const formatHere = (project: Project, page: Page): PageFormat =>
  page.print ? formatOf(project, page) : project.format;

function Sheet({ page, under = false }: { readonly page: PlacedPage; readonly under?: boolean }) {
  const box = bleedBox(page.format);
  const scale = stackPx / Math.max(box.w, box.h);
  return (
    <Box
      gridArea="1 / 1"
      position="relative"
      w={`${box.w * scale}px`}
      h={`${box.h * scale}px`}
      boxShadow="paper"
      bg="white"
      overflow="hidden"
      {...(under
        ? { transform: "rotate(3.5deg)" }
        : { transition: "transform 160ms", _groupHover: { transform: "translateY(-3px)" } })}
    >
      <PageCanvas page={page} scale={scale} />
    </Box>
  );
}
