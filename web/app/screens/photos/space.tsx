import { Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { spaceWords as words } from "../../../text/index.ts";
import { useLibrary } from "../../state/session/hooks.ts";

/** How much the browser keeps for this application. How much more it would is not known: its own figure knows nothing of the disk. */
function useSpace() {
  const count = useLibrary((s) => s.photos.length);
  const busy = useLibrary((s) => s.incoming !== undefined);
  return useQuery({
    queryKey: ["space", count],
    enabled: !busy && "storage" in navigator,
    placeholderData: (before) => before,
    queryFn: async () => {
      return (await navigator.storage.estimate()).usage ?? 0;
    },
  });
}

export function SpaceUsed() {
  const { data } = useSpace();
  if (data === undefined) return null;
  return (
    <Text fontSize="13.5px" color="fg.subtle" whiteSpace="nowrap" data-testid="space">
      {words.used(data)}
    </Text>
  );
}
