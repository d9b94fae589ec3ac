import { type Change, findTile, lookChange, type View } from "#core/document";
import { viewsChange } from "#core/edit";
import type { Photo } from "#core/photo";
import { mmPerInch } from "#core/units";
import { papers as words } from "../../../text/index.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";

export type Repeats = NonNullable<View["repeats"]>;

/** What scanners and shops that sell papers use; nothing in most files says it. */
const scannedPpi = 300;
const [leastMm, mostMm] = [20, 1000];

const trueWidth = ({ widthPx }: Photo): number =>
  Math.round(Math.min(mostMm, Math.max(leastMm, (widthPx / scannedPpi) * mmPerInch)));

function withRepeats({ repeats: _, ...view }: View, repeats: Repeats | undefined): View {
  return repeats ? { ...view, repeats } : view;
}

/** Pictures in these tiles, or the one behind the page where there are none, laid so. */
export function repeatsChange(
  session: ProjectSession,
  tileIds: readonly string[],
  repeatsOf: (was: Repeats | undefined) => Repeats | undefined,
): Change {
  const page = openPage(session.state.getState());
  if (tileIds.length > 0) return viewsChange(page, tileIds, (v) => withRepeats(v, repeatsOf(v.repeats)));
  const { look, style } = openPlaced(session.state.getState());
  const { backdrop } = look;
  if (!backdrop) return lookChange(page, look, style);
  const view = withRepeats(backdrop.view, repeatsOf(backdrop.view.repeats));
  return lookChange(page, { ...look, backdrop: { ...backdrop, view } }, style);
}

/** Looks for the repeat of a picture's pattern, and lays the picture as a paper in these tiles, or behind the page. */
export async function layAsPaper(
  { finder, library, store }: Pick<Services, "finder" | "library" | "store">,
  session: ProjectSession,
  photoId: string,
  tileIds: readonly string[],
): Promise<void> {
  const photo = library.state.getState().byId.get(photoId);
  const preview = await store.preview(photoId, "small");
  if (!photo || !preview) return void notices.create({ title: words.notReady, type: "info" });
  try {
    const pattern = await finder.run("findRepeat", preview, { deadlineMs: 60_000 });
    // Meanwhile something else may have been put there.
    const page = openPage(session.state.getState());
    const still = tileIds.filter((id) => {
      const filling = findTile(page, id)?.filling;
      return filling?.kind === "photo" && filling.view.photoId === photoId;
    });
    if (tileIds.length > 0 && still.length === 0) return;
    const laid: Repeats = { wideMm: trueWidth(photo), turn: 0, shift: { x: 0, y: 0 }, ...(pattern ? { pattern } : {}) };
    session.commit({ code: "laidPaper", count: Math.max(1, still.length) }, [
      repeatsChange(session, still, () => laid),
    ]);
  } catch (e) {
    if (!(e instanceof WorkerError)) throw e;
    notices.create({ title: words.notFound, type: "error" });
  }
}
