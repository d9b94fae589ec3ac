import { Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { spaceWords as words } from "../../../text/photos.ts";
import { Strip } from "../../parts/strip.tsx";
import { useLibrary } from "../../state/hooks.ts";

/** Less than this, or than a tenth of what is used, is tight: a day's photos would not fit any more. */
const tightBytes = 500_000_000;

/** How much the browser keeps for this application and how much more it would; asks it not to throw that away. */
function useSpace() {
  const count = useLibrary((s) => s.photos.length);
  const busy = useLibrary((s) => s.incoming !== undefined);
  return useQuery({
    queryKey: ["space", count],
    enabled: !busy && "storage" in navigator,
    placeholderData: (before) => before,
    queryFn: async () => {
      // Browsers say yes or no by themselves; a no changes nothing.
      if (count > 0) await navigator.storage.persist().catch(() => false);
      const { usage = 0, quota = 0 } = await navigator.storage.estimate();
      return { used: usage, left: Math.max(0, quota - usage) };
    },
  });
}

export function SpaceUsed() {
  const { data } = useSpace();
  if (!data) return null;
  return (
    <Text fontSize="13.5px" color="fg.subtle" whiteSpace="nowrap" data-testid="space">
      {words.used(data.used, data.left)}
    </Text>
  );
}

export function SpaceWarning() {
  const { data } = useSpace();
  if (!data || data.left > Math.max(tightBytes, data.used / 10)) return null;
  return <Strip tone="warn">{words.tight(data.left)}</Strip>;
}
