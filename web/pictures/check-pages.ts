import { checkPage, type PageFacts, sharpnessOn } from "#core/check";
import { photoShape } from "#core/photo";
import { wordsNeeded } from "#core/scene";
import { FontShelf } from "../words/font-shelf.ts";
import { fontUrls } from "../words/font-urls.ts";
import type { CheckedPage, PagesToCheck } from "../workers/jobs.ts";
import type { Doing } from "../workers/serve.ts";
import { groundFrom } from "./background-luminance.ts";

const fonts = new FontShelf(fontUrls);

/** Pages checked one by one, each with its fonts, and with what lies behind its words. */
export async function checkPages(order: PagesToCheck, doing: Doing): Promise<readonly CheckedPage[]> {
  fonts.takeOwn(order.ownFonts);
  const byId = new Map(order.photos.map((p) => [p.id, p]));
  const gone = new Set(order.gone);
  const twins = new Map(order.twins);
  const beyond = new Map(order.beyondSrgb);
  const pictures = new Map(order.pictures.map((p) => [p.photoId, p.preview]));
  const facts: PageFacts = {
    known: (id) => byId.get(id),
    photo: (id) => {
      const photo = byId.get(id);
      return photo && photoShape(photo);
    },
    gone: (id) => gone.has(id),
    beyondSrgb: (id) => beyond.get(id) ?? 0,
    sharperTwin: (id) => twins.get(id),
    setter: fonts,
  };
  const checked: CheckedPage[] = [];
  for (const at of order.pages) {
    doing.signal.throwIfAborted();
    const here = { ...facts, language: at.language };
    const words = wordsNeeded(at.page, here);
    await fonts.loadFor(words, at.language);
    const behind = words.length > 0 ? await groundFrom(at, here, (id) => pictures.get(id)) : undefined;
    checked.push({
      pageId: at.page.id,
      findings: checkPage(at, { ...here, behind }),
      sharpness: sharpnessOn(at.page, facts),
    });
    doing.progress(checked.length / order.pages.length);
  }
  return checked;
}
