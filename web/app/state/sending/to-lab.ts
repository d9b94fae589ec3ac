import type { PrintFile, Project } from "#core/document";
import { hasFacingPages, pageCount } from "#core/document";
import { type LabCard, mostTitleLength, orderedSizes, type Packet } from "#core/lab";
import type { DrawnSheet } from "#core/sheet-files";
import { orderWords } from "../../../text/index.ts";
import { within } from "../../../text/within.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import type { Services } from "../../services.ts";
import type { ProjectSession } from "../session/project-session.ts";
import { type FileKind, sendFileNames } from "./file-options.ts";
import { type NamedFile, type PacketAbout, packetOf, sendPacket } from "./lab-client.ts";
import type { SendOrder } from "./sender.ts";

/** Cards of one's own have a mark in front of their ids; nobody listens at their labs. */
export const isServed = (card: LabCard | null): boolean => card !== null && !card.id.startsWith("own-");

/** The project's name and what of it is sent. */
const titled = (name: string, copies: number, ...what: readonly string[]): string =>
  within(mostTitleLength, name, (n) => [n, ...what, ...(copies === 1 ? [] : [orderWords.copies(copies)])].join(", "));

/** What the lab is told of a work's pages; nothing where it has no lab. */
export function aboutPages(
  project: Project,
  files: readonly PrintFile[],
  { kind, copies }: { readonly kind: FileKind; readonly copies: number },
): PacketAbout | undefined {
  const { lab, format, book } = project;
  if (!lab) return undefined;
  const names = sendFileNames(project, files, kind);
  const holds = new Map(files.map((f, i) => [names[i]!, holdsOf(project, f)]));
  const prints = new Map(files.map((f, i) => [names[i]!, f.print]));
  const sizeId = lab.sizes.find((s) => s.name === format.name)?.id;
  return {
    labId: lab.id,
    title: titled(project.name, copies),
    copies,
    ...(sizeId === undefined || project.kind === "prints" ? {} : { sizeId }),
    ...(project.kind === "prints"
      ? { copiesOf: (name) => prints.get(name)?.copies, sizeOf: (name) => prints.get(name)?.sizeId }
      : {}),
    ...(book ? { book: { pages: pageCount(project.pages), paperId: book.paperId, coverId: book.coverId } } : {}),
    holdsOf: (name) => holds.get(name) ?? "document",
  };
}

const holdsOf = (project: Project, file: PrintFile): Packet["files"][number]["holds"] => {
  if (file.number === "cover") return "cover";
  return hasFacingPages(project) && file.format.widthMm > 1.5 * project.format.widthMm ? "spread" : "page";
};

/** The same of print sheets. */
export const aboutSheets = (
  project: Project,
  card: LabCard,
  sheets: readonly DrawnSheet[],
  { copies, sizeOf }: Pick<PacketAbout, "copies" | "sizeOf">,
): PacketAbout => ({
  labId: card.id,
  title: titled(project.name, copies, orderWords.sheets(sheets.length)),
  copies,
  holdsOf: () => "sheet",
  sizeOf,
});

/** Sends what was made, remembers the order, and fails with the lab's refusal where it sends the files back. */
export function toLab(
  { store, now }: Pick<Services, "store" | "now">,
  session: ProjectSession,
  about: PacketAbout,
  mark: string,
  card = session.state.getState().project.lab,
): NonNullable<SendOrder["deliver"]> {
  const projectId = session.state.getState().project.id;
  return async (files, how) => {
    const packet = await packetOf(about, files);
    const before = (await store.orders(projectId)).find((o) => o.mark === mark);
    const order = await sendPacket(packet, files, {
      ...how,
      begunAs: before?.id,
      onBegun: ({ id }) =>
        store.putOrder({
          id,
          projectId,
          labName: card?.name ?? "",
          title: about.title,
          at: now(),
          files: files.length,
          mark,
          ...(card ? { ordered: { ...orderedSizes(card, packet), currency: card.currency } } : {}),
        }),
    });
    if (order.stage === "refused") throw new WorkerError("labRefused", order.id);
  };
}

/** The list with its checksums and an order sheet in plain text, for a packet that is carried there. */
export function orderSheet(
  labName: string,
  about: PacketAbout,
): (files: readonly NamedFile[]) => Promise<readonly NamedFile[]> {
  return async (files) => {
    const packet = await packetOf(about, files);
    const sheet = orderWords.sheet(labName, about.title, packet);
    return [
      { name: "order.txt", file: new Blob([sheet], { type: "text/plain" }) },
      { name: "packet.json", file: new Blob([JSON.stringify(packet, null, 2)], { type: "application/json" }) },
    ];
  };
}
