import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { FolderHeart } from "lucide-react";
import { useState } from "react";
import { useStore } from "zustand";
import type { Keeping } from "../../../storage/keeping.ts";
import { safeFolder as words } from "../../../text/index.ts";
import { canChooseFolders, chooseSafeFolder, saveEverything } from "../../components/safe-folder.tsx";
import { useServices } from "../../services.ts";
import { useLibrary } from "../../state/session/hooks.ts";
import { useProjects } from "../../state/session/use-projects.ts";

const manyNew = 40;
const weekMs = 7 * 86_400_000;
const laterName = "tessip-remind-after";

function putOff(): number {
  try {
    return Number(localStorage.getItem(laterName) ?? 0);
  } catch {
    return 0;
  }
}

/** A quiet word after much new work that lies in this browser alone. */
export function Remind({ keeping }: { readonly keeping: Keeping }) {
  const { now } = useServices();
  const folder = useStore(keeping.folderState, (s) => s.name);
  const photos = useLibrary((s) => s.photos.length);
  const works = useProjects().data?.cards.length ?? 0;
  const last = useQuery({
    queryKey: ["lastArchive", photos],
    staleTime: 0,
    queryFn: () => keeping.folder.lastArchive(),
  }).data;
  const [later, setLater] = useState(() => Date.now() < putOff());
  const [busy, setBusy] = useState(false);
  if (later || folder !== undefined || works === 0 || !last || last.newPhotos < manyNew) return null;
  const putItOff = () => {
    try {
      localStorage.setItem(laterName, String(Date.now() + weekMs));
    } catch {
      // Then it is said again next time.
    }
    setLater(true);
  };
  const keep = async () => {
    setBusy(true);
    try {
      if (canChooseFolders) await chooseSafeFolder(keeping);
      else {
        await saveEverything(keeping, false, now());
        putItOff();
      }
    } finally {
      setBusy(false);
    }
  };
  return (
    <HStack mt="-3" mb="6" gap="3">
      <Box color="glaze.500">
        <FolderHeart size={20} aria-hidden />
      </Box>
      <Box flex="1">
        <Text fontSize="14px">
          <strong>{words.remind(works, photos)}.</strong> {canChooseFolders ? words.remindLead : words.remindFile}
        </Text>
      </Box>
      <Button size="sm" variant="outline" disabled={busy} onClick={() => void keep()}>
        {canChooseFolders ? words.choose : busy ? words.saving : words.saveAll}
      </Button>
      <Button size="sm" variant="ghost" onClick={putItOff}>
        {words.later}
      </Button>
    </HStack>
  );
}
