import { Box, Button, Text } from "@chakra-ui/react";
import { drawnPage } from "#core/document";
import { seenBox } from "#core/lab";
import { book as words } from "../../../text/index.ts";
import { PageThumb } from "../../components/page-thumb.tsx";
import { useServices } from "../../services.ts";
import { makeCover } from "../../state/edit/cover.ts";
import { openThe } from "../../state/edit/page-list.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { PageSpot } from "./page-spot.tsx";

/** The cover at the head of the run, or the way to make one. */
export function CoverSpot({ widthPx, notes }: { readonly widthPx: number; readonly notes: number | undefined }) {
  const services = useServices();
  const session = useSession();
  const project = useProject((s) => s.project);
  const open = useProject((s) => s.pageId);
  const page = project.cover;
  if (!page)
    return (
      <Box px="2" pb="2" mb="1" borderBottomWidth="1px" borderColor="oat.300">
        <Button size="sm" variant="outline" w="full" fontSize="13px" onClick={() => makeCover(services, session)}>
          {words.makeCover}
        </Button>
      </Box>
    );
  const drawn = drawnPage(project, page, () => undefined);
  return (
    <Box role="listbox" aria-label={words.coverWord} mb="1" pb="2" borderBottomWidth="1px" borderColor="oat.300">
      <Box w={`${widthPx}px`} mx="auto">
        <PageSpot
          page={page}
          label={words.coverWord}
          open={open === page.id}
          notes={notes}
          onOpen={() => openThe(services, session, page)}
        >
          <PageThumb page={drawn} scale={widthPx / seenBox(drawn.format).w} />
        </PageSpot>
      </Box>
      <Text textAlign="center" fontSize="12.5px" mt="1.5" color="fg.subtle">
        {words.coverWord}
      </Text>
    </Box>
  );
}
