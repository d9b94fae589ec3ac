/** Where a photo's time comes from, the surest first; `you` was typed or shifted by hand. */
export const timeSources = ["you", "exif", "xmp", "name", "file"] as const;
export type TimeSource = (typeof timeSources)[number];

/** Where in the library something lies: photos; papers, which are laid under them; ornaments, which are laid over. */
export const sections = ["photos", "papers", "ornaments"] as const;
export type Section = (typeof sections)[number];
