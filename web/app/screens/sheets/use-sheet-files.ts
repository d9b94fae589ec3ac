import { useMemo } from "react";
import { useNavigate } from "react-router";
import type { PrintFile } from "#core/document";
import { fileNames, type LabCard } from "#core/lab";
import { backFile, cuttingList, type DrawnSheet, type SheetFileAsk, sheetFile } from "#core/sheet-files";
import type { PrintSheets } from "#core/sheets";
import { formatOnRule, formatSize } from "#core/units";
import { fileTitle, inLatin } from "../../../text/in-latin.ts";
import { sheets as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import { endingOf } from "../../state/sending/file-options.ts";
import type { SendTask } from "../../state/sending/sender.ts";
import { sheetSenderOf } from "../../state/sending/senders.ts";
import { aboutSheets, orderSheet, toLab } from "../../state/sending/to-lab.ts";
import { useFacts } from "../../state/session/facts.ts";
import { gatherOriginals } from "../../state/session/gather-originals.ts";
import { useLibrary, useProject, useSession } from "../../state/session/hooks.ts";
import { labelOf } from "./piece-labels.ts";

const quality = 0.95;

/** Ways to save the sheets, to order prints of them, and to save the list to cut by. */
export function useSheetFiles(sheets: PrintSheets, drawn: readonly DrawnSheet[], copies: number) {
  const services = useServices();
  const session = useSession();
  const navigate = useNavigate();
  const project = useProject((s) => s.project);
  const facts = useFacts();
  const byId = useLibrary((s) => s.byId);
  const sender = sheetSenderOf(session);
  const ask = useMemo(
    (): SheetFileAsk => ({
      project,
      sheets,
      takenOf: (id) => facts.photo(id)?.takenAt,
      labelOf: (want) => labelOf(project, want, facts),
    }),
    [project, sheets, facts],
  );
  const card = sheets.stock?.kind === "lab" ? sheets.stock.card : undefined;
  const kind = card?.file.kind ?? "jpeg";
  const options = {
    kind,
    colour: card?.file.colour ?? "srgb",
    quality: card?.file.quality ?? quality,
    chroma: "444",
    progressive: false,
    packing: card?.file.packing ?? "none",
  } as const;
  const namesOf = (back: boolean) =>
    fileNames(
      card?.file.name ?? "{project}-{page}",
      drawn.map((sheet) => ({
        project: inLatin(back ? `${project.name} ${words.backName}` : project.name),
        size: inLatin(sheet.size.name || "sheet"),
        page: sheet.index + 1,
        pages: drawn.length,
      })),
      endingOf(kind),
      card?.file.mostNameLength,
    );
  const names = new Map(
    [...namesOf(false), ...namesOf(true)].map((name, i) => [name, drawn[i % drawn.length]!.size.id]),
  );
  /** A lab knows a size by one name, whichever way round it lies. */
  const sizeOf = (name: string) => names.get(name)?.replace(/ sideways$/, "");
  const task = (key: string, name: string, file: PrintFile): SendTask => ({
    key,
    name,
    make: async ({ keepAs, signal, onProgress }) => {
      const photos = await gatherOriginals(file, byId, services.store);
      const made = await services.printing.run(
        "printPicture",
        { file, options, photos, ownFonts: services.fonts.own(), keepAs },
        { signal, onProgress },
      );
      return made.file;
    },
  });
  const changed = useProject((s) => s.history.steps[s.history.done - 1]?.at ?? "");
  const mark = JSON.stringify([changed, options]);

  const sheetTasks = () => {
    const fronts = namesOf(false);
    const backs = namesOf(true);
    return drawn.flatMap((sheet, i) => [
      task(`sheet-${i + 1}`, fronts[i]!, sheetFile(sheet, ask)),
      ...(sheets.ways.labels === "back" ? [task(`sheet-${i + 1}-back`, backs[i]!, backFile(sheet, ask))] : []),
    ]);
  };
  const saveSheets = () => {
    const tasks = sheetTasks();
    const to = tasks.length > 1 ? "zip" : "each";
    const zipName = `${fileTitle(project.name)}-sheets.zip`;
    const beside = card && { beside: orderSheet(card.name, aboutSheets(project, card, drawn, { copies, sizeOf })) };
    void sender.send({ tasks, to, zipName, mark, ...beside });
  };
  const order = async (from: LabCard) => {
    const deliver = toLab(
      services,
      session,
      aboutSheets(project, from, drawn, { copies, sizeOf }),
      copies === 1 ? mark : `${mark} ${copies}`,
      from,
    );
    const sent = await sender.send({ tasks: sheetTasks(), to: "lab", zipName: "", mark, deliver });
    if (sent) await navigate(`/work/${project.id}/orders`);
  };
  const saveList = () => {
    const plain = { lossless: false, flattened: false, blackAlone: false } as const;
    const { unit, format } = project;
    const files = cuttingList(drawn, {
      ...ask,
      title: words.listTitle(project.name),
      sheetTitle: (sheet) => words.listSheet(sheet.index + 1, drawn.length, sheet.size.name, sheet.laid.cards.length),
      sizeOf: (want) => formatSize(want.widthMm, want.heightMm, unit, format.ppi),
      cutWords: (cut) => words.cut(cut.way, formatOnRule(cut.setMm, unit, format.ppi), cut.waste),
    });
    const list: SendTask = {
      key: words.listName,
      name: `${fileTitle(project.name)}-${words.listName}.pdf`,
      make: async ({ keepAs, signal, onProgress }) => {
        const each = await Promise.all(files.map((f) => gatherOriginals(f, byId, services.store)));
        const photos = [...new Map(each.flat().map((p) => [p.photo.id, p])).values()];
        const order = {
          title: words.listTitle(project.name),
          files,
          photos,
          ownFonts: services.fonts.own(),
          marks: false,
          slugs: [],
          small: true,
          ...plain,
          keepAs,
        };
        return (await services.printing.run("printPdf", order, { signal, onProgress })).file;
      },
    };
    void sender.send({ tasks: [list], to: "each", zipName: "", mark: `${mark} list` });
  };

  return { card, options, saveSheets, order, saveList };
}
