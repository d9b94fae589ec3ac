import { IconButton, Menu, Portal, Text } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { EllipsisVertical } from "lucide-react";
import { lazy, Suspense, useCallback, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { useStore } from "zustand";
import { mostNameLength } from "#core/document";
import { formats, keeping, work as words } from "../../../text/index.ts";
import { within } from "../../../text/within.ts";
import { useKeys } from "../../commands/hear.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import type { ProjectSession } from "../../state/session/project-session.ts";
import { projectsChanged } from "../../state/session/use-projects.ts";
import { keepAsBeginning, saveAsNew } from "../../state/session/whole-project.ts";
import { AllSteps } from "./all-steps.tsx";
import { AnotherSize } from "./another-size.tsx";
import { Combine } from "./combine.tsx";
import { FinishedPages } from "./finished-pages.tsx";
import { PaperDialog } from "./paper-dialog.tsx";
import { SaveFile } from "./save-file.tsx";
import { Snapshots } from "./snapshots.tsx";

/** What changes the work, and so is not to be had where it may only be looked at. */
const changing: ReadonlySet<string> = new Set(["allSteps", "snapshot", "combine", "anotherSize", "finished"]);

type Open = "proof" | "paper" | "saveFile" | "allSteps" | "snapshot" | "combine" | "anotherSize" | "finished";

/** Says what was kept, only after it was, and offers a file besides. */
function sayKept(session: ProjectSession, saveFile: () => void): void {
  const { keeping: kept } = session.state.getState();
  const action = { label: words.saveFile, onClick: saveFile };
  if (kept.is === "failed") notices.create({ title: keeping.failed[kept.code], type: "error", action });
  else if (kept.is === "kept")
    notices.create({ title: keeping.allKept(formats.clock(kept.at)), type: "success", action });
}

const ProofDialog = lazy(() => import("../notes/proof-dialog.tsx").then((m) => ({ default: m.ProofDialog })));

/** Everything that is about the work as a whole. */
export function WorkMenu({ session }: { readonly session: ProjectSession }) {
  const services = useServices();
  const { projectId } = useParams();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [open, setOpen] = useState<Open>();
  const close = () => setOpen(undefined);
  const closeProof = useCallback(() => setOpen(undefined), []);
  const asNew = async (keep: typeof saveAsNew, name: (name: string) => string) => {
    const { project } = session.state.getState();
    const own = within(mostNameLength, project.name, name);
    const id = await keep(services, project, own);
    await projectsChanged(queries);
    notices.create({ title: words.opened(own), type: "success" });
    await navigate(`/work/${id}`);
  };
  const choose = (value: string) => {
    if (value === "read" || value === "words") void navigate(`/work/${projectId}/${value}`);
    else if (value === "duplicate") void asNew(saveAsNew, words.copyName);
    else if (value === "beginLike") void asNew(keepAsBeginning, words.likeName);
    else setOpen(value as Open);
  };
  useKeys("project", {
    save: () => void session.settled().then(() => sayKept(session, () => setOpen("saveFile"))),
  });
  const readOnly = useStore(session.state, (s) => s.readOnly);
  const items = [
    "read",
    "words",
    "proof",
    "paper",
    "saveFile",
    "allSteps",
    "snapshot",
    "duplicate",
    "beginLike",
    "combine",
    "anotherSize",
    "finished",
  ] as const;
  return (
    <>
      <Menu.Root onSelect={({ value }) => choose(value)}>
        <Menu.Trigger asChild>
          <IconButton aria-label={words.menu} variant="ghost" size="sm">
            <EllipsisVertical size={19} />
          </IconButton>
        </Menu.Trigger>
        <Portal>
          <Menu.Positioner>
            <Menu.Content bg="oat.25" borderRadius="card" boxShadow="lifted">
              {items.map((value) => (
                <Menu.Item key={value} value={value} disabled={readOnly && changing.has(value)}>
                  {words[value]}
                </Menu.Item>
              ))}
              {readOnly && (
                <Text px="3" py="1" fontSize="13.5px" color="saffron.700" maxW="260px">
                  {keeping.cannotHere}
                </Text>
              )}
            </Menu.Content>
          </Menu.Positioner>
        </Portal>
      </Menu.Root>
      {open === "proof" && (
        <Suspense>
          <ProofDialog onClose={closeProof} />
        </Suspense>
      )}
      {open === "paper" && <PaperDialog session={session} onClose={closeProof} />}
      {open === "saveFile" && <SaveFile session={session} onClose={close} />}
      {open === "allSteps" && <AllSteps session={session} onClose={close} />}
      {open === "snapshot" && <Snapshots session={session} onClose={close} />}
      {open === "combine" && <Combine session={session} onClose={close} />}
      {open === "anotherSize" && <AnotherSize session={session} onClose={close} />}
      {open === "finished" && <FinishedPages session={session} onClose={close} />}
    </>
  );
}
