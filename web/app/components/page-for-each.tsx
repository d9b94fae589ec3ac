import { Box, HStack, Text, VStack } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { arrangedTiles } from "#core/document";
import { findEvents, type Photo } from "#core/photo";
import { run as words } from "../../text/index.ts";
import { useServices } from "../services.ts";
import { pageForEach } from "../state/edit/page-list.ts";
import { grouped } from "../state/library/group-photos.ts";
import { useLibrary, useProject, useSession } from "../state/session/hooks.ts";
import { openPage } from "../state/session/project-session.ts";
import { ConfirmDialog } from "./confirm-dialog.tsx";
import { CountField } from "./count-field.tsx";
import { Segmented } from "./segmented.tsx";

interface PageForEachProps {
  readonly photos: readonly Photo[];
  readonly onClose: () => void;
  /** The pages are there. */
  readonly onMade?: () => void;
}

/** Many photos onto many pages in one go: one arrangement for each group, or this page's own for all. */
export function PageForEach({ photos, onClose, onMade }: PageForEachProps) {
  const services = useServices();
  const session = useSession();
  const library = useLibrary((s) => s.photos);
  const spans = useLibrary((s) => s.spans);
  const places = useProject((s) => arrangedTiles(openPage(s)).length);
  const events = useMemo(() => findEvents(library, spans), [library, spans]);
  const [by, setBy] = useState<"event" | "count">(places > 0 ? "count" : "event");
  const [each, setEach] = useState(places > 0 ? places : 6);
  const [like, setLike] = useState<"fit" | "this">(places > 0 ? "this" : "fit");
  const groups = useMemo(
    () => grouped(photos, by === "event" ? { by } : { by, each }, events),
    [photos, by, each, events],
  );
  return (
    <ConfirmDialog
      title={words.eachTitle}
      doIt={words.doEach(groups.length)}
      onClose={onClose}
      onDo={() => {
        pageForEach(services, session, groups, like);
        onClose();
        onMade?.();
      }}
    >
      <VStack align="stretch" gap="4">
        <Text color="fg.muted">{words.eachLead(photos.length)}</Text>
        <Choice label={words.groupBy}>
          <Segmented
            label={words.groupBy}
            value={by}
            options={[
              ["count", words.byCount],
              ["event", words.byEvent],
            ]}
            onChoose={setBy}
          />
        </Choice>
        {by === "count" && (
          <Box w="180px">
            <CountField label={words.photosEach} value={each} placeholder="" onCount={(n) => setEach(n ?? 6)} />
          </Box>
        )}
        {places > 0 && (
          <Choice label={words.like}>
            <Segmented
              label={words.like}
              value={like}
              options={[
                ["this", words.likeThis],
                ["fit", words.likeFit],
              ]}
              onChoose={setLike}
            />
          </Choice>
        )}
        <Text role="status" fontWeight="500">
          {words.makes(groups.length)}
        </Text>
      </VStack>
    </ConfirmDialog>
  );
}

function Choice({ label, children }: { readonly label: string; readonly children: React.ReactNode }) {
  return (
    <HStack justify="space-between" gap="4" wrap="wrap">
      <Text fontWeight="500" fontSize="14.5px">
        {label}
      </Text>
      {children}
    </HStack>
  );
}
