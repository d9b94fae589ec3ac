import { useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { useNavigate } from "react-router";
import type { PrintFile } from "#core/document";
import { useServices } from "../../services.ts";
import type { FileOptions } from "../../state/sending/file-options.ts";
import type { SendOrder, SendTo } from "../../state/sending/sender.ts";
import { senderOf } from "../../state/sending/senders.ts";
import { aboutPages, orderSheet, toLab } from "../../state/sending/to-lab.ts";
import { useLibrary, useProject, useSession } from "../../state/session/hooks.ts";
import { tasksFor, zipNameOf } from "./tasks.ts";

type FolderPicker = { showDirectoryPicker?: (how: { mode: "readwrite" }) => Promise<FileSystemDirectoryHandle> };

interface MakeTask {
  readonly wanted: readonly PrintFile[];
  readonly fileOptions: FileOptions;
  readonly to: SendTo;
  readonly copies: number;
  /** Of everything that the files rest on. */
  readonly mark: string;
}

/** Makes files and hands them over; asked again, it goes on where it was. */
export function useMake({ wanted, fileOptions, to, copies, mark: orderMark }: MakeTask) {
  const services = useServices();
  const session = useSession();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const sender = senderOf(session);
  const project = useProject((s) => s.project);
  const byId = useLibrary((s) => s.byId);
  const chosenFolder = useRef<FileSystemDirectoryHandle>(undefined);
  const mostMb = project.lab?.file.mostMb;

  return async function make(again: Pick<SendOrder, "replaces" | "withoutRefused"> = {}) {
    let folder = again.replaces || again.withoutRefused ? chosenFolder.current : undefined;
    if (to === "folder" && wanted.length > 1 && !folder) {
      try {
        folder = await (window as FolderPicker).showDirectoryPicker?.({ mode: "readwrite" });
        chosenFolder.current = folder;
      } catch {
        // Nothing was chosen after all.
        return;
      }
    }
    const { history } = session.state.getState();
    const tasks = tasksFor(wanted, project, fileOptions, {
      store: services.store,
      printing: services.printing,
      byId,
      fonts: services.fonts,
    });
    const where = tasks.length > 1 || to === "lab" ? to : "each";
    const about = aboutPages(project, wanted, { kind: fileOptions.kind, copies });
    const packet = about && {
      deliver: toLab(services, session, about, copies === 1 ? orderMark : `${orderMark} ${copies}`),
      beside: orderSheet(project.lab?.name ?? "", about),
    };
    const mostBytes = mostMb === undefined ? undefined : mostMb * 1e6;
    const zipName = zipNameOf(project);
    const all = await sender.send({
      tasks,
      to: where,
      zipName,
      folder,
      mark: orderMark,
      mostBytes,
      ...again,
      ...packet,
    });
    if (all && !again.withoutRefused) session.markSent(history, to === "lab" ? "lab" : "disk");
    if (to === "lab") await queries.invalidateQueries({ queryKey: ["orders"] });
    if (all && to === "lab") await navigate(`/work/${project.id}/orders`);
  };
}
