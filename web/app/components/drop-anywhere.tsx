import { Box, Heading } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useLocation } from "react-router";
import { saysNotes } from "#core/notes";
import { photos as words } from "../../text/index.ts";
import { useServices } from "../services.ts";
import type { IncomingFile } from "../state/library/library-state.ts";
import { fromDrop, fromList } from "./import-files.ts";
import { mayHoldNotes } from "./notes/notes-names.ts";
import { isProjectFile } from "./project/project-file-name.ts";

const bringsFiles = (e: DragEvent) => e.dataTransfer?.types.includes("Files") ?? false;

const notesHome = () => import("./notes/notes-home.ts");

/** Files may be let go on any spot of the window, or pasted. */
export function DropAnywhere() {
  const services = useServices();
  const { library, viewState } = services;
  const queries = useQueryClient();
  const { pathname } = useLocation();
  const inPhotos = pathname.endsWith("/photos");
  const [over, setOver] = useState(false);
  useEffect(() => {
    // Where papers are open, files that are let go are papers; in any other place they are photos.
    const bringIn = (files: readonly IncomingFile[]) =>
      library.bringIn(files, inPhotos ? viewState.getState().section : "photos");
    const hover = (e: DragEvent) => {
      if (!bringsFiles(e)) return;
      e.preventDefault();
      // Over a page it is the page that shows where they would go.
      setOver(viewState.getState().drop.dragged === undefined);
    };
    const leave = (e: DragEvent) => {
      if (e.relatedTarget === null) setOver(false);
    };
    const drop = (e: DragEvent) => {
      if (!bringsFiles(e) || !e.dataTransfer) return;
      e.preventDefault();
      setOver(false);
      const files = [...e.dataTransfer.files];
      const projects = files.filter((f) => isProjectFile(f.name));
      const noted = files.filter((f) => mayHoldNotes(f.name));
      // No photo has such a name.
      if (noted.length > 0) {
        void notesHome().then(({ bringNotesFile }) => bringNotesFile(services, noted));
        if (noted.length === files.length) return;
      }
      const reading = { signal: new AbortController().signal, onProgress: () => {} };
      // A project file is opened, and what came with it is no photo.
      if (projects.length > 0)
        void import("./project/take-project-file.ts").then(({ takeProjectFile }) => {
          for (const file of projects) void takeProjectFile(services, queries, file, reading);
        });
      else void fromDrop(e.dataTransfer).then(bringIn);
    };
    // Before whoever else would take the text for words.
    const pasteNotes = (e: ClipboardEvent) => {
      const text = e.clipboardData?.getData("text/plain") ?? "";
      if (!saysNotes(text)) return;
      e.preventDefault();
      e.stopImmediatePropagation();
      void notesHome().then(({ bringNotesText }) => bringNotesText(services, text));
    };
    const paste = (e: ClipboardEvent) => {
      const files = e.clipboardData?.files;
      if (files && files.length > 0) void fromList(files).then(bringIn);
    };
    window.addEventListener("dragover", hover);
    window.addEventListener("dragleave", leave);
    window.addEventListener("drop", drop);
    window.addEventListener("paste", pasteNotes, { capture: true });
    window.addEventListener("paste", paste);
    return () => {
      window.removeEventListener("dragover", hover);
      window.removeEventListener("dragleave", leave);
      window.removeEventListener("drop", drop);
      window.removeEventListener("paste", pasteNotes, { capture: true });
      window.removeEventListener("paste", paste);
    };
  }, [services, library, viewState, queries, inPhotos]);
  if (!over) return null;
  return (
    <Box position="fixed" inset="0" zIndex="overlay" bg="rgba(230, 241, 241, .86)" pointerEvents="none" p="5">
      <Box
        h="full"
        borderWidth="3px"
        borderStyle="dashed"
        borderColor="glaze.500"
        borderRadius="card"
        display="grid"
        placeItems="center"
      >
        <Heading as="p" fontSize="34px" color="glaze.700">
          {words.dropHere}
        </Heading>
      </Box>
    </Box>
  );
}
