import { IconButton } from "@chakra-ui/react";
import { MessageSquareText } from "lucide-react";
import { memo } from "react";
import { notes as words } from "../../../text/index.ts";
import { hint } from "../../commands/shown.ts";
import { useServices } from "../../services.ts";
import { useShownNotes } from "../../state/notes/shown-notes.ts";
import { useViewState } from "../../state/session/hooks.ts";
import { Tooltip } from "../tooltip.tsx";
import css from "./notes.module.css";
import { toggleNotes } from "./toggle-notes.ts";

/** How many notes wait, and the way to them. */
export function NotesButton() {
  const shown = useShownNotes();
  const toDo = shown.filter((n) => n.toDo).length;
  const unread = shown.filter((n) => n.unread).length;
  return <Counted toDo={toDo} unread={unread} />;
}

/** By itself, since notes are looked through again after every change of the work. */
const Counted = memo(function Counted({ toDo, unread }: { readonly toDo: number; readonly unread: number }) {
  const { viewState } = useServices();
  const open = useViewState((s) => s.notes.open);
  const name = unread > 0 ? `${words.open(toDo)}, ${words.unread(unread)}` : words.open(toDo);
  return (
    <Tooltip words={hint(name, "notes", "showNotes")}>
      <IconButton
        aria-label={name}
        aria-expanded={open}
        variant="ghost"
        size="sm"
        position="relative"
        onClick={() => toggleNotes(viewState)}
      >
        <MessageSquareText size={19} />
        {toDo > 0 && (
          <span className={unread > 0 ? `${css.count} ${css.fresh}` : css.count} aria-hidden>
            {toDo > 99 ? "99+" : toDo}
          </span>
        )}
      </IconButton>
    </Tooltip>
  );
});
