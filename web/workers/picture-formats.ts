/** What a person may set of a picture file besides its colours. */
type Setting = "quality" | "chroma" | "packing" | "bits";

interface PictureFormatFacts {
  readonly ending: string;
  readonly settings: readonly Setting[];
}

/** Every kind of picture file that can be made. How each is written and read back stands in `pictures/formats`. */
export const pictureFormats = {
  jpeg: { ending: "jpg", settings: ["quality", "chroma"] },
  png: { ending: "png", settings: [] },
  tiff: { ending: "tif", settings: ["packing", "bits"] },
  webp: { ending: "webp", settings: ["quality"] },
} as const satisfies Record<string, PictureFormatFacts>;

export type PictureFormat = keyof typeof pictureFormats;

export const isPictureFormat = (kind: string): kind is PictureFormat => Object.hasOwn(pictureFormats, kind);

export const takesSetting = (kind: string, setting: Setting): boolean =>
  isPictureFormat(kind) && (pictureFormats[kind].settings as readonly Setting[]).includes(setting);
