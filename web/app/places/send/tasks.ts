import type { PrintFile, Project } from "#core/document";
import { plainName } from "#core/lab";
import type { Photo } from "#core/photo";
import type { Store } from "../../../storage/store.ts";
import type { Kit } from "../../kit.ts";
import type { SendTask } from "../../state/sender.ts";
import { gatherOriginals } from "./make-file.ts";
import { sendFileName, type Wishes } from "./wishes.ts";

interface Hands {
  readonly store: Pick<Store, "original">;
  readonly printing: Kit["printing"];
  readonly byId: ReadonlyMap<string, Photo>;
}

/** A picture file of each. */
export const pictureTasks = (
  files: readonly PrintFile[],
  project: Project,
  { kind, picture }: Wishes,
  { store, printing, byId }: Hands,
): readonly SendTask[] =>
  files.map((file) => ({
    name: sendFileName(project, file, kind),
    make: async ({ keepAs, signal, onProgress }) => {
      const photos = await gatherOriginals(file, byId, store);
      const made = await printing.run(
        "printPicture",
        { file, wish: { kind, ...picture }, photos, keepAs },
        { signal, onProgress },
      );
      return made.file;
    },
  }));

export const zipNameOf = (project: Project): string => `${plainName(project.name)}.zip`;
