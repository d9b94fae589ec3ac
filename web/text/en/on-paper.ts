/** Pages and photos on office paper. */
export const onPaper = {
  title: "Print to read on paper",
  lead: "A PDF for the printer at home: the pages with lines to write on, or all photos small with their names.",
  what: "What goes on the paper",
  whats: { pages: "The pages", photos: "The photos" },
  which: "Which photos",
  whichs: { project: "Those of this project", all: "All photos" },
  paper: "Paper",
  papers: { a4: "A4", letter: "Letter" },
  perSheet: "How many on a sheet",
  columns: "How many side by side",
  make: "Make the PDF",
  making: "Making the PDF",
  made: (name: string, sheets: number) =>
    `${name} is among your downloads: ${sheets === 1 ? "1 sheet" : `${sheets} sheets`}.`,
  none: "There is no photo to show.",
  failed: "The PDF could not be made. Nothing was changed.",
  missing: (name: string) => `The photo ${name} cannot be read. Bring it in again first.`,
  stopped: "Stopped. No PDF was made.",
  number: (sheet: number, of: number) => `${sheet} of ${of}`,
  opening: (from: number, to: number) =>
    from === 0 ? "Cover" : from === to ? `Page ${from}` : `Pages ${from} and ${to}`,
  photo: (n: number, name: string, stars: number) => `${n}  ${name}${stars > 0 ? `  ${"\u2605".repeat(stars)}` : ""}`,
  fileName: { pages: "to-read", photos: "contact-sheet" },
};
