import { useMemo, useSyncExternalStore } from "react";
import { type Photo, photoShape } from "#core/photo";
import type { SceneFacts } from "#core/scene";
import type { Typesetter } from "#core/words";
import { useServices } from "../../services.ts";
import { useLanguage, useLibrary } from "./hooks.ts";

/** What a scene needs of the library and the fonts. */
const factsFrom = (byId: ReadonlyMap<string, Photo>, setter: Typesetter, language?: string): SceneFacts => ({
  photo: (id) => {
    const photo = byId.get(id);
    return photo && photoShape(photo);
  },
  setter,
  language,
});

/** Another object when a photo changed or a font came, so that what was drawn is drawn again. */
export function useFacts(): SceneFacts {
  const { fonts } = useServices();
  const byId = useLibrary((s) => s.byId);
  const language = useLanguage();
  const come = useSyncExternalStore(fonts.watch, fonts.come);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a font that came changes what the same shelf answers
  return useMemo(() => factsFrom(byId, fonts, language), [byId, fonts, come, language]);
}
