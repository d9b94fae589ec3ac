import type { MouseEvent, ReactElement, ReactNode } from "react";
import { cloneElement } from "react";
import { useNavigate, useParams } from "react-router";
import { pageMenu as words } from "../../text/index.ts";
import { firstKeyOf } from "../commands/shown.ts";
import { type Services, useServices } from "../services.ts";
import { addPages, copyThePage, movePages, openThe, removeThePage } from "../state/edit/page-list.ts";
import { addLeaf } from "../state/edit/pockets.ts";
import { useSession } from "../state/session/hooks.ts";
import { openPage, type ProjectSession } from "../state/session/project-session.ts";
import { ContextMenu, type Deed } from "./context-menu.tsx";

interface PageMenuProps {
  /** A list of pages, each marked with `data-page`; it takes what the menu needs of it. */
  readonly children: ReactElement<{
    readonly onContextMenuCapture?: (e: MouseEvent) => void;
    readonly children?: ReactNode;
  }>;
}

/** What can be done with a page of a list: the one under the pointer is opened first, so that one sees what is meant. */
export function PageMenu({ children }: PageMenuProps) {
  const services = useServices();
  const session = useSession();
  const navigate = useNavigate();
  const { projectId } = useParams();
  const deeds = () => deedsOf(services, session, (to) => void navigate(`/work/${projectId}/${to}`));
  const openUnder = (e: MouseEvent) => {
    const id = e.target instanceof Element ? e.target.closest<HTMLElement>("[data-page]")?.dataset.page : undefined;
    openThe(
      services,
      session,
      session.state.getState().project.pages.find((p) => p.id === id),
    );
  };
  return (
    <ContextMenu label={words.label} deeds={deeds}>
      {cloneElement(children, { onContextMenuCapture: openUnder })}
    </ContextMenu>
  );
}

function deedsOf(services: Services, session: ProjectSession, go: (to: string) => void): readonly Deed[] {
  const state = session.state.getState();
  const { project } = state;
  const page = openPage(state);
  const at = project.pages.indexOf(page);
  const plain = project.kind === "collage" || project.kind === "book";
  const step = project.kind === "pockets" ? 2 : 1;
  const move = (by: number) => movePages(services, session, [page.id], at + by);
  const deeds: Deed[] = [["open", words.open, () => go("pages"), firstKeyOf("openings", "open")]];
  if (plain)
    deeds.push(
      ["before", words.addBefore, () => addPages(services, session, 1, "before")],
      ["after", words.addAfter, () => addPages(services, session, 1, "after")],
      ["copy", words.copy, () => copyThePage(services, session), firstKeyOf("page", "duplicate")],
    );
  if (project.kind === "pockets") deeds.push(["leaf", words.addLeaf, () => addLeaf(services, session)]);
  if (at >= step) deeds.push(["earlier", words.earlier, () => move(-step)]);
  if (at >= 0 && at + step < project.pages.length) deeds.push(["later", words.later, () => move(step)]);
  if (plain && project.pages.length > 1)
    deeds.push(["remove", words.remove, () => removeThePage(services, session), firstKeyOf("run", "removePage")]);
  return deeds;
}
