import { useEffect } from "react";
import { typingIn } from "../../commands/typing-in.ts";
import { useServices } from "../../services.ts";
import {
  chosenClip,
  clipType,
  cutChosen,
  nothingToPaste,
  pasteClip,
  pasteText,
  readClip,
} from "../../state/edit/clipboard.ts";
import { useSession } from "../../state/session/hooks.ts";

/** Copy, cut and paste, wherever the focus is among the pages and nothing is typed in. */
export function useClipboard(): void {
  const services = useServices();
  const session = useSession();
  useEffect(() => {
    const taken = (e: ClipboardEvent) => {
      const clip = typingIn(e.target) || getSelection()?.toString() ? undefined : chosenClip(services, session);
      if (!clip || !e.clipboardData) return false;
      e.clipboardData.setData(clipType, JSON.stringify(clip));
      const texts = [...clip.free.map((t) => t.filling), ...clip.fillings].flatMap((f) =>
        f.kind === "words" ? [f.text] : [],
      );
      if (texts.length > 0) e.clipboardData.setData("text/plain", texts.join("\n\n"));
      e.preventDefault();
      return true;
    };
    const copy = (e: ClipboardEvent) => void taken(e);
    const cut = (e: ClipboardEvent) => {
      if (taken(e)) cutChosen(services, session);
    };
    const paste = (e: ClipboardEvent) => {
      const data = e.clipboardData;
      // Files come into the library, which answers for them.
      if (typingIn(e.target) || !data || data.files.length > 0) return;
      const own = data.getData(clipType);
      const clip = own === "" ? undefined : readClip(own);
      const text = data.getData("text/plain").trim();
      if (clip) pasteClip(services, session, clip);
      else if (text !== "") pasteText(services, session, text);
      else nothingToPaste();
      e.preventDefault();
    };
    window.addEventListener("copy", copy);
    window.addEventListener("cut", cut);
    window.addEventListener("paste", paste);
    return () => {
      window.removeEventListener("copy", copy);
      window.removeEventListener("cut", cut);
      window.removeEventListener("paste", paste);
    };
  }, [services, session]);
}
