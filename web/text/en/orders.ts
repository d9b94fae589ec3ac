import type { LabMood, OrderStage, Packet, Reason } from "#core/lab";

export const orderWords = {
  title: "Orders",
  lead: "What you sent to a lab, and how far it is.",
  none: "Nothing was sent yet",
  noneLead: "When your files are made, Send hands them to the lab. You see its answer here.",
  toSend: "To Send",
  receipt: (number: string) => `Order number ${number}`,
  files: (n: number) => (n === 1 ? "1 file" : `${n} files`),
  sheets: (n: number) => (n === 1 ? "1 print sheet" : `${n} print sheets`),
  sent: (day: string) => `sent ${day}`,
  stages: {
    sending: "on its way",
    refused: "sent back",
    received: "received",
    checked: "checked",
    printing: "printing",
    posted: "posted",
  } satisfies Record<OrderStage, string>,
  /** What comes next, of an order at this stage. */
  next: {
    sending: "Not all of it has arrived. Send it again.",
    refused: "The lab sent it back.",
    received: "The lab has it and checks it next.",
    checked: "Checked by the lab; printed next.",
    printing: "Being printed; posted next.",
    posted: "Posted, and on its way to you.",
  } satisfies Record<OrderStage, string>,
  ofSize: (n: number, size: string) => `${n} of ${size}`,
  noAnswer: "The lab does not answer just now.",
  see: "See the order",
  seeOrder: (title: string) => `See the order of ${title}`,
  gone: "The lab does not answer, or does not know this order any more.",
  reasons: "Why the lab sends it back",
  whole: "The packet",
  mood: "The stand-in lab today",
  moodLead: "This is not a real lab. Choose how it behaves, to see what happens.",
  moods: {
    well: "takes everything",
    slow: "is slow",
    refuses: "sends everything back",
    cutsOff: "cuts the line at 60 %",
    full: "takes no more orders",
  } satisfies Record<LabMood, string>,
  copies: (n: number) => `${n} copies`,
  forget: (title: string) => `Remove from this list: ${title}`,
  forgotten: (title: string) => `“${title}” is no longer among your orders. The lab still has it.`,
  sheet: (lab: string, work: string, { files, book }: Packet) =>
    [
      `Order for ${lab}`,
      `Project: ${work}`,
      ...(book ? [`Pages: ${book.pages}, paper: ${book.paperId}, cover: ${book.coverId}`] : []),
      "",
      ...sizesIn(files).map(([size, n]) => `${size}: ${n} files`),
      `${files.length} files, each with its size in bytes and its SHA-256:`,
      ...files.map((f) => `${f.name}\t${f.bytes}\t${f.copies} copies\t${f.sha256}`),
      "",
    ].join("\r\n"),
};

/** How many files there are of each size, where files have sizes of their own. */
function sizesIn(files: Packet["files"]): [size: string, count: number][] {
  const counts = new Map<string, number>();
  for (const { sizeId } of files) if (sizeId !== undefined) counts.set(sizeId, (counts.get(sizeId) ?? 0) + 1);
  return [...counts];
}

/** One of the lab's reasons, as a sentence. */
export function reasonWords({ code, facts }: Reason): string {
  switch (code) {
    case "fileMissing":
      return `It did not arrive whole: ${facts.arrived} of ${facts.bytes} bytes.`;
    case "checksumWrong":
      return "It was changed on the way. Send it again.";
    case "notAPicture":
      return "It is not a picture that the lab can read.";
    case "wrongKind":
      return `It is a ${String(facts.is).toUpperCase()}; the lab wants ${String(facts.wanted).toUpperCase()}.`;
    case "wrongPixels":
      return `${facts.is} pixels is not one of the lab's sizes.`;
    case "wrongDensity":
      return `It says ${facts.is} ppi; the lab wants ${facts.wanted}.`;
    case "wrongProfile":
      return `Its colour profile is not ${facts.wanted === "srgb" ? "sRGB" : "Display P3"}.`;
    case "wrongColours":
      return "It is not made of red, green and blue.";
    case "fileTooLarge":
      return `It is larger than the ${facts.mostMb} MB that the lab takes.`;
    case "nameTooLong":
      return `Its name is longer than the ${facts.most} characters that the lab takes.`;
    case "typeTooSmall":
      return `It has letters of ${facts.is} pt; the lab prints none below ${facts.least} pt.`;
    case "wrongPageCount":
      return `It has ${facts.pages} pages; the lab binds ${facts.least} to ${facts.most}, and the order says ${facts.said}.`;
    case "wrongSpine":
      return `The cover is ${facts.is} pixels; with this spine it has to be ${facts.wanted}.`;
    case "wrongBoxes":
      return `Page ${facts.page} is not cut to one of the lab's sizes.`;
    case "labSaysNo":
      return "The lab takes no orders of this kind today.";
  }
}
