import { type PlacedTile, photoIdOf } from "#core/document";
import { toneKey } from "#core/tone";
import { useServices } from "../../../services.ts";
import { matchTones, setTones, showTones } from "../../../state/edit/tones.ts";
import { useSession } from "../../../state/session/hooks.ts";
import { ToneSection } from "./tone-section.tsx";

/** The tone of the photos in these tiles; what is shown is what the first of them has. */
export function PhotoTone({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const services = useServices();
  const session = useSession();
  const full = tiles.filter((t) => t.filling.kind === "photo");
  const [first] = full;
  const photoId = first && photoIdOf(first);
  if (!first || photoId === undefined) return null;
  const ids = full.map((t) => t.id);
  const toneOf = (t: PlacedTile) => (t.filling.kind === "photo" ? t.filling.view.tone : undefined);
  const tone = toneOf(first);
  return (
    <ToneSection
      photoId={photoId}
      tone={tone}
      differ={full.some((t) => toneKey(toneOf(t)) !== toneKey(tone))}
      onShow={(to) => showTones(session, ids, to)}
      onKeep={(to, slider) => setTones(session, ids, to, slider && `tone-${slider}-${ids.join()}`)}
      onMatch={(to) => matchTones(services, session, ids, to)}
    />
  );
}
