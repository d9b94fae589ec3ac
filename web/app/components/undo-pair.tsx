import { IconButton } from "@chakra-ui/react";
import { Redo2, Undo2 } from "lucide-react";
import { deedWords, history as historyWords } from "../../text/index.ts";
import { hint } from "../commands/shown.ts";
import { useServices } from "../services.ts";
import type { LibraryStep } from "../state/library/library-state.ts";
import { useLibrary } from "../state/session/hooks.ts";
import { Tooltip } from "./tooltip.tsx";

/** What was done to the photos, taken back or done again. */
export function LibraryUndo() {
  const { library } = useServices();
  const back = useLibrary((s) => s.undoable.at(-1));
  const again = useLibrary((s) => s.redoable.at(-1));
  return <UndoPair back={back && inWords(back)} again={again && inWords(again)} of={library} />;
}

interface UndoPairProps {
  readonly back: string | undefined;
  readonly again: string | undefined;
  readonly of: { undo(): unknown; redo(): unknown };
}

/** Back and again, each saying what it is about. */
export function UndoPair({ back, again, of }: UndoPairProps) {
  const undoWords = historyWords.undo(back);
  const redoWords = historyWords.redo(again);
  return (
    <>
      <Tooltip words={hint(undoWords, "history", "undo")}>
        <IconButton aria-label={undoWords} variant="ghost" size="sm" disabled={!back} onClick={() => void of.undo()}>
          <Undo2 size={19} />
        </IconButton>
      </Tooltip>
      <Tooltip words={hint(redoWords, "history", "redo")}>
        <IconButton aria-label={redoWords} variant="ghost" size="sm" disabled={!again} onClick={() => void of.redo()}>
          <Redo2 size={19} />
        </IconButton>
      </Tooltip>
    </>
  );
}

const inWords = ({ deed, count, before }: LibraryStep): string =>
  deedWords(deed, count, before.photos[0]?.section ?? "photos");
