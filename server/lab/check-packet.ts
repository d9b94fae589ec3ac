import {
  type BookCover,
  type ForEachLabRule,
  type LabCard,
  labRuleNames,
  type Packet,
  type PacketFile,
  type PrintSize,
  type Reason,
  spineMm,
} from "#core/lab";
import type { FileFacts } from "./read-file.ts";
import type { ReadFacts } from "./thread-reader.ts";

const mmPerInch = 25.4;
/** A pixel of rounding, and a density that JPEG keeps in whole numbers. */
const mostPixelsOff = 1;
const mostPpiOff = 1;
const mostPointsOff = 1;

/** A file that has arrived: where it lies, and what its bytes came to. */
export interface Arrived {
  readonly path: string;
  readonly bytes: number;
  readonly sha256: string;
}

interface Wanted {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly bleedMm: number;
}

/** Everything that the lab finds wrong with a packet, file by file; nothing where it takes it. */
export async function checkPacket(
  packet: Packet,
  card: LabCard,
  arrived: (name: string) => Promise<Arrived | undefined>,
  readFile: ReadFacts,
): Promise<readonly Reason[]> {
  const reasons: Reason[] = [];
  for (const file of packet.files) {
    const got = await arrived(file.name);
    const say = (code: Reason["code"], facts: Reason["facts"] = {}) => reasons.push({ file: file.name, code, facts });
    if (!got || got.bytes !== file.bytes) {
      say("fileMissing", { arrived: got?.bytes ?? 0, bytes: file.bytes });
      continue;
    }
    if (got.sha256 !== file.sha256) {
      say("checksumWrong");
      continue;
    }
    const facts = await readFile(got.path);
    for (const name of labRuleNames) {
      const asked = card.file[name];
      if (asked !== undefined) limitTests[name](asked, file, facts, say);
    }
    if (!facts) say("notAPicture");
    else if (facts.kind === "pdf") checkPdf(file, facts, packet, card, say);
    else checkPicture(file, facts, packet, card, say);
  }
  reasons.push(...checkCount(packet, card));
  return reasons;
}

type Say = (code: Reason["code"], facts?: Reason["facts"]) => void;

/** A point's rounding on its way through millimetres. */
const mostTypeOffPt = 0.05;

/** The lab's own tests of what its card asks; one that is missing does not compile. */
const limitTests: ForEachLabRule<(asked: number, file: PacketFile, facts: FileFacts | undefined, say: Say) => void> = {
  mostMb: (mostMb, file, _, say) => {
    if (file.bytes > mostMb * 1e6) say("fileTooLarge", { mostMb });
  },
  mostNameLength: (most, file, _, say) => {
    if (file.name.length > most) say("nameTooLong", { most });
  },
  // In a picture letters can no longer be told from the rest.
  leastTypePt: (least, _, facts, say) => {
    const is = facts?.kind === "pdf" ? facts.leastTypePt : undefined;
    if (is !== undefined && is < least - mostTypeOffPt) say("typeTooSmall", { is: Number(is.toFixed(1)), least });
  },
};

/** The sizes that a file may have, cut; none where the lab makes nothing of the kind. */
function wantedSizes(file: PacketFile, packet: Packet, card: LabCard): readonly Wanted[] {
  const { holds, sizeId = packet.sizeId } = file;
  const sizes = sizeId === undefined ? card.sizes : card.sizes.filter((s) => s.id === sizeId);
  const { bleedMm, book } = card;
  const ways = (s: PrintSize): Wanted[] => {
    const one = { widthMm: s.widthMm, heightMm: s.heightMm, bleedMm };
    return s.turns ? [one, { widthMm: s.heightMm, heightMm: s.widthMm, bleedMm }] : [one];
  };
  const pages = sizes.flatMap(ways);
  if (holds === "spread") return pages.map((p) => ({ ...p, widthMm: 2 * p.widthMm }));
  if (holds !== "cover") return pages;
  const cover = coverOf(packet, card);
  const paper = book?.papers.find((p) => p.id === packet.book?.paperId);
  if (!cover || !paper || !packet.book) return [];
  const spine = spineMm(cover, paper, packet.book.pages);
  return pages.map((p) => ({
    widthMm: 2 * (p.widthMm + cover.overhangMm + cover.flapMm) + spine,
    heightMm: p.heightMm + 2 * cover.overhangMm,
    bleedMm: Math.max(cover.wrapMm, bleedMm),
  }));
}

const coverOf = (packet: Packet, card: LabCard): BookCover | undefined =>
  card.book?.covers.find((c) => c.id === packet.book?.coverId);

function checkPicture(
  file: PacketFile,
  facts: Exclude<FileFacts, { kind: "pdf" }>,
  packet: Packet,
  card: LabCard,
  say: Say,
): void {
  const { ppi } = card;
  if (facts.kind !== card.file.kind) say("wrongKind", { is: facts.kind, wanted: card.file.kind });
  if (facts.components !== 3) say("wrongColours", { components: facts.components });
  const srgb = card.file.colour === "srgb";
  if (facts.profile === undefined || (facts.profile === "srgb") !== srgb)
    say("wrongProfile", { wanted: card.file.colour });
  if (facts.ppi === undefined || Math.abs(facts.ppi - ppi.wanted) > mostPpiOff)
    say("wrongDensity", { is: Math.round(facts.ppi ?? 0), wanted: ppi.wanted });
  const px = (mm: number) => (mm / mmPerInch) * ppi.wanted;
  const near = (a: number, b: number) => Math.abs(a - b) <= mostPixelsOff;
  const wanted = wantedSizes(file, packet, card).map((w) => ({
    w: px(w.widthMm + 2 * w.bleedMm),
    h: px(w.heightMm + 2 * w.bleedMm),
  }));
  if (wanted.some((w) => near(facts.widthPx, w.w) && near(facts.heightPx, w.h))) return;
  const high = wanted.find((w) => near(facts.heightPx, w.h));
  const is = { is: `${facts.widthPx} × ${facts.heightPx}` };
  // A cover that is right but for its width was made for another number of pages, or another paper.
  if (file.holds === "cover" && high)
    say("wrongSpine", { ...is, wanted: `${Math.round(high.w)} × ${Math.round(high.h)}` });
  else say("wrongPixels", is);
}

function checkPdf(
  file: PacketFile,
  { trims }: Extract<FileFacts, { kind: "pdf" }>,
  packet: Packet,
  card: LabCard,
  say: Say,
): void {
  const points = (mm: number) => (mm / mmPerInch) * 72;
  const near = (a: number, b: number) => Math.abs(a - b) <= mostPointsOff;
  const wanted = (["page", "spread", "cover"] as const).flatMap((holds) =>
    wantedSizes({ ...file, holds }, packet, card),
  );
  const wrong = trims.findIndex(
    (t) => !wanted.some((w) => near(t.w, points(w.widthMm)) && near(t.h, points(w.heightMm))),
  );
  if (wrong >= 0) say("wrongBoxes", { page: wrong + 1 });
}

/** Of a book of single pages or spreads: whether it has as many as it says, and as the lab binds. */
function checkCount({ book, files }: Packet, card: LabCard): readonly Reason[] {
  const rules = card.book?.pages;
  if (!rules) return [];
  const pages = files.reduce((sum, f) => sum + (f.holds === "page" ? 1 : f.holds === "spread" ? 2 : 0), 0);
  const said = book?.pages ?? 0;
  const bound = said >= rules.least && said <= rules.most && (said - rules.least) % rules.step === 0;
  const documents = files.some((f) => f.holds === "document");
  if (bound && (documents || pages === said)) return [];
  return [
    { code: "wrongPageCount", facts: { pages: documents ? said : pages, said, least: rules.least, most: rules.most } },
  ];
}
