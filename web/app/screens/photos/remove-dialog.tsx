import { List, Text } from "@chakra-ui/react";
import type { Photo } from "#core/photo";
import { common, countOf, photos as photoWords, removeWords as words } from "../../../text/index.ts";
import { ConfirmDialog } from "../../components/confirm-dialog.tsx";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { usePlaced } from "../../state/session/placed-photos.ts";
import { nothingChosen } from "../../state/view-state/choose.ts";

/** Names the photos that are on pages before any of them goes. */
export function RemoveDialog({ chosen, onClose }: { readonly chosen: readonly Photo[]; readonly onClose: () => void }) {
  const { library, viewState, now } = useServices();
  const placed = usePlaced();
  const what = countOf(chosen[0]?.section ?? "photos", chosen.length);
  const used = chosen.filter((p) => placed.has(p.id));
  const remove = async () => {
    await library.edit(
      "removed",
      chosen.map((p) => p.id),
      (p) => ({ ...p, removed: true, removedAt: now() }),
    );
    viewState.setState({ photos: nothingChosen, sheet: undefined });
    onClose();
    notices.create({
      title: words.removed(what),
      type: "info",
      action: { label: common.undoIt, onClick: () => void library.undo() },
    });
  };
  return (
    <ConfirmDialog
      title={words.title(what)}
      doIt={words.doIt(chosen.length, what)}
      onDo={() => void remove()}
      onClose={onClose}
    >
      {used.length > 0 && (
        <>
          <Text fontWeight="500" color="clay.600">
            {words.onPages(used.length)}
          </Text>
          <List.Root
            my="2"
            maxH="150px"
            overflowY="auto"
            variant="plain"
            tabIndex={0}
            aria-label={words.onPages(used.length)}
          >
            {used.map((p) => (
              <List.Item key={p.id}>
                {p.caption || p.name}, {placed.get(p.id)!.map(photoWords.onPage).join(", ")}
              </List.Item>
            ))}
          </List.Root>
        </>
      )}
      <Text color="fg.muted">{words.lead}</Text>
    </ConfirmDialog>
  );
}
