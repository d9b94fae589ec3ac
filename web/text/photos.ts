export const photos = {
  title: "Photos",
  count: (n: number) => (n === 1 ? "1 photo" : `${n.toLocaleString("en")} photos`),
  chosen: (n: number) => (n === 1 ? "1 chosen" : `${n.toLocaleString("en")} chosen`),
  chooseAll: "Choose all",
  chooseNone: "Choose none",
  addFiles: "Add photos",
  addFolder: "Add a folder",
  sample: "Take the sample photos",
  sampleLead: (n: number, title: string) => `${n} drawn photos: “${title}”.`,
  sampleMissing: "The sample photos are not drawn yet. They come with npm run demo.",
  arrange: (n: number) =>
    n === 0
      ? "Put them on a page"
      : n === 1
        ? "Put 1 photo on a page"
        : `Put ${n.toLocaleString("en")} photos on a page`,
  startCollage: "Start a collage",
  dropHere: "Let go to bring them in",
  empty: "No photos yet",
  emptyLead:
    "Drop photos or a whole folder anywhere in this window. They are kept in this browser, byte for byte, and nothing is sent away.",
  bringing: (done: number, total: number) =>
    `Bringing in ${done.toLocaleString("en")} of ${total.toLocaleString("en")}`,
  stop: "Stop bringing in",
  leftOut: (n: number) => (n === 1 ? "1 file was left out" : `${n.toLocaleString("en")} files were left out`),
  leftOutRest: "All the others are here.",
  alreadyHere: (n: number) =>
    n === 1 ? "1 photo was here already." : `${n.toLocaleString("en")} photos were here already.`,
  damaged: (n: number) =>
    n === 1
      ? "One photo’s record could not be read. It is left as it is."
      : `${n} photos’ records could not be read. They are left as they are.`,
  dismiss: "Close this list",
  guessed: "Date from the file, which may be wrong",
  onPage: (page: number) => `On page ${page}`,
  waitingFor: "On its way in",
  label: (name: string, when: string, caption: string) => [caption, when, name].filter(Boolean).join(", "),
};

/** Why a file did not come in, after its name. */
export function leftOutReason(code: string): string {
  switch (code) {
    case "emptyFile":
      return "the file is empty";
    case "notAPicture":
      return "this is no picture, whatever its name says";
    case "kindNotRead":
      return "this kind of picture is not read yet; JPEG, PNG, WebP, AVIF and GIF are";
    case "damagedPicture":
      return "the picture is damaged or cut off; try to copy it again from where it came";
    case "unreadableFile":
      return "the file could not be read; it may have been moved while it was opened";
    case "storageFull":
      return "there is no room left for it on this disk";
    case "storageRefused":
    case "storageLost":
      return "this browser would not keep it";
    case "workerDied":
      return "reading it took more than this browser has; try it by itself";
    default:
      return "it could not be read";
  }
}
