/** How all pages of a work look, and its palette. */
export const style = {
  of: "Whose look",
  ofs: { page: "This page", work: "All pages" },
  title: "All pages",
  lead: "This is how every page looks, unless it has a look of its own.",
  differ: (n: number) => (n === 1 ? "One page has a look of its own." : `${n} pages have looks of their own.`),
  asStyle: "Make them look like the others",
  palette: "Palette of the work",
  noPalette: "No colours yet. Papers are drawn in colours of their own until there are some.",
  colour: (n: number) => `Colour ${n} of the palette`,
  add: "Add a colour",
  suggest: "Colours from",
  fromPage: "this page",
  fromWork: "all photos here",
  fromPhoto: "the chosen photo",
  noPhotos: "There are no photos to take colours from.",
  ofAnother: "The look of another project",
  which: "Project",
  ofAnotherLead:
    "Gap, margin, edges, shadow, colours, paper, palette and fonts. Pages that have a look of their own keep it.",
  take: "Use its look here",
  noRoom: "On a page of this project there is no room for its margin and gap. Nothing was changed.",
};
