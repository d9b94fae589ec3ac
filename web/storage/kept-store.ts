import type { KeptStoreDeps } from "./kept/deps.ts";
import { keptNotes } from "./kept/notes.ts";
import { keptPhotos } from "./kept/photos.ts";
import { removedWorks } from "./kept/removed.ts";
import { keptShelf } from "./kept/shelf.ts";
import { keptWorks } from "./kept/works.ts";
import type { Store } from "./store.ts";

/** The store's verbs as changes to tables. Everything that is read is checked here and trusted afterwards. */
export const keptStore = (deps: KeptStoreDeps): Store => ({
  lasting: deps.lasting,
  tryAgain: () => deps.writer.tryAgain(),
  ...keptPhotos(deps),
  ...keptShelf(deps),
  ...keptNotes(deps),
  ...keptWorks(deps),
  ...removedWorks(deps),
});
