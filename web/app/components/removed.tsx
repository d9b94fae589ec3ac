import { Box, Button, Flex, Heading, HStack, Text } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Trash2, Undo2 } from "lucide-react";
import { useState } from "react";
import { common, formats, removedWords as words } from "../../text/index.ts";
import { notices } from "../notices/notices.ts";
import { useServices } from "../services.ts";
import { keptRemovedDays, timeIsOver } from "../state/library/library-rules.ts";
import { useLibrary } from "../state/session/hooks.ts";
import { projectsChanged } from "../state/session/use-projects.ts";
import { Dialog } from "./dialog.tsx";
import { PhotoThumb } from "./photo-thumb.tsx";

const removedKey = ["works", "removed"] as const;

/** Works among the removed; those whose time is over go for good. */
function useRemovedWorks() {
  const { store, now } = useServices();
  return useQuery({
    queryKey: removedKey,
    staleTime: 0,
    queryFn: async () => {
      const all = await store.removedProjects();
      const over = all.filter((w) => timeIsOver(w.removedAt, now()));
      for (const { id } of over) await store.forgetProject(id);
      return all.filter((w) => !over.includes(w));
    },
  });
}

/** The way to what was removed; nothing where nothing was. */
export function Removed() {
  const [open, setOpen] = useState(false);
  const works = useRemovedWorks().data ?? [];
  const photos = useLibrary((s) => s.removed);
  const count = works.length + photos.length;
  if (count === 0 && !open) return null;
  return (
    <>
      <Button size="sm" variant="ghost" color="fg.muted" onClick={() => setOpen(true)}>
        <Trash2 size={16} aria-hidden /> {words.open(count)}
      </Button>
      {open && <RemovedDialog onClose={() => setOpen(false)} />}
    </>
  );
}

function RemovedDialog({ onClose }: { readonly onClose: () => void }) {
  const { store, library } = useServices();
  const queries = useQueryClient();
  const works = useRemovedWorks().data ?? [];
  const photos = useLibrary((s) => s.removed);
  const [asking, setAsking] = useState(false);
  const refresh = () => projectsChanged(queries);
  const nothing = works.length + photos.length === 0;

  async function forgetAll() {
    for (const w of works) await store.forgetProject(w.id);
    if (photos.length > 0) await library.forget(photos.map((p) => p.id));
    await refresh();
    setAsking(false);
  }

  const foot = asking ? (
    <>
      <Text mr="auto" color="clay.600" fontWeight="500">
        {words.sure}
      </Text>
      <Button variant="outline" onClick={() => setAsking(false)}>
        {common.cancel}
      </Button>
      <Button onClick={() => void forgetAll()}>{words.forgetShort}</Button>
    </>
  ) : (
    <>
      {!nothing && (
        <Button variant="ghost" mr="auto" onClick={() => setAsking(true)}>
          {words.empty}
        </Button>
      )}
      <Button onClick={onClose}>{common.done}</Button>
    </>
  );
  return (
    <Dialog title={words.title} widthPx={640} onClose={onClose} foot={foot}>
      <Text color="fg.muted" mb="4">
        {nothing ? words.nothing : words.lead(keptRemovedDays)}
      </Text>
      <Box maxH="46vh" overflowY="auto">
        {works.length > 0 && <Part title={words.works} />}
        {works.map((w) => (
          <Row
            key={w.id}
            name={w.name}
            facts={words.workFacts(w.pageCount, formats.dayHere(w.removedAt))}
            onBack={async () => {
              await store.restoreProject(w.id);
              await refresh();
              notices.create({ title: words.back(w.name), type: "success" });
            }}
            onForget={async () => {
              await store.forgetProject(w.id);
              await refresh();
            }}
          />
        ))}
        {photos.length > 0 && (
          <Part
            title={words.photos}
            action={
              photos.length > 1 && (
                <Button size="sm" variant="ghost" onClick={() => void library.bringBack(photos.map((p) => p.id))}>
                  {words.bringAllBack}
                </Button>
              )
            }
          />
        )}
        {photos.map((p) => (
          <Row
            key={p.id}
            photoId={p.id}
            name={p.caption || p.name}
            facts={words.photoFacts(formats.dayHere(p.removedAt ?? p.addedAt))}
            onBack={() => library.bringBack([p.id])}
            onForget={() => library.forget([p.id])}
          />
        ))}
      </Box>
    </Dialog>
  );
}

const Part = ({ title, action }: { readonly title: string; readonly action?: React.ReactNode }) => (
  <HStack justify="space-between" mt="2" mb="1">
    <Heading as="h3" fontSize="16px" fontWeight="560">
      {title}
    </Heading>
    {action}
  </HStack>
);

interface RowProps {
  readonly name: string;
  readonly facts: string;
  readonly photoId?: string;
  readonly onBack: () => Promise<void>;
  readonly onForget: () => Promise<void>;
}

function Row({ name, facts, photoId, onBack, onForget }: RowProps) {
  return (
    <Flex align="center" gap="3" py="2" borderBottomWidth="1px" borderColor="oat.300">
      {photoId && (
        <Box w="52px" h="40px" borderRadius="soft" overflow="hidden" flexShrink="0" bg="oat.200">
          <PhotoThumb photoId={photoId} />
        </Box>
      )}
      <Box flex="1" minW="0">
        <Text fontWeight="500" truncate>
          {name}
        </Text>
        <Text fontSize="13.5px" color="fg.subtle">
          {facts}
        </Text>
      </Box>
      <Button size="sm" variant="outline" aria-label={words.bringBack(name)} onClick={() => void onBack()}>
        <Undo2 size={15} aria-hidden /> {words.bringBackShort}
      </Button>
      <Button
        size="sm"
        variant="ghost"
        color="fg.muted"
        aria-label={words.forget(name)}
        onClick={() => void onForget()}
      >
        {words.forgetShort}
      </Button>
    </Flex>
  );
}
