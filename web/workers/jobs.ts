import type { Alternative, Lying, ScatterTask } from "#core/arrange";
import type { Finding, PageAt, PlacedSharpness, ProjectFacts } from "#core/check";
import type { Look, Page, PlacedGroup, PlacedPage, PrintFile, Project } from "#core/document";
import type { ChannelBits, JpegOptions, PrintColour, TiffPacking } from "#core/files";
import type { PhotoShape } from "#core/fit";
import type { Rect } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import type { PacePhoto, PaceRow } from "#core/pace";
import type { Focus, Photo, PhotoInput, Pile, PileFacts, Repeat } from "#core/photo";
import type { PaperKind, Pixels } from "#core/pixels";
import type { PrintSheets, SheetPlan } from "#core/sheets";
import type { Tone } from "#core/tone";
import type { OwnFonts } from "../words/font-shelf.ts";
import type { PictureFormat } from "./picture-formats.ts";
import type { Job } from "./protocol.ts";

/** What is read from a file before it has an id in the library. */
export interface ReadPhoto {
  readonly facts: Omit<PhotoInput, "id" | "addedAt">;
  readonly small: Blob;
}

export interface PhotoJobs {
  /** Failure codes: `emptyFile`, `notAPicture`, `damagedPicture`, `unreadableFile`. */
  readonly readPhoto: Job<
    {
      readonly file: Blob;
      readonly name: string;
      readonly modifiedAt: number;
      /** Puts the bytes among the originals while they are at hand. Then a failure may also be `storageFull`. */
      readonly keep: boolean;
    },
    ReadPhoto
  >;
  /** A preview of a photo that is in the library. */
  readonly makePreview: Job<{ readonly photo: Photo; readonly original: Blob; readonly size: "small" | "large" }, Blob>;
  readonly findPiles: Job<readonly PileFacts[], readonly Pile[]>;
  /** A picture for the screen in another tone. */
  readonly tonePicture: Job<{ readonly picture: ImageBitmap; readonly tone: Tone }, ImageBitmap>;
}

export interface FileJobs {
  /**
   * A small file of the browser's own file storage. In a worker, since of all writes only those through a sync handle do no
   * harm on a full disk. Failure code: `storageFull`.
   */
  readonly writePrivate: Job<{ readonly folder: string; readonly name: string; readonly text: string }, null>;
}

export interface FocusJobs {
  /** Looks at a small preview. Failure code: `finderMissing` when the face model cannot be loaded. */
  readonly findFocus: Job<Blob, Focus>;
  /** How the pattern of a paper comes again, out of a small preview; nothing where it does not. */
  readonly findRepeat: Job<Blob, Repeat | undefined>;
}

export interface ArrangeJobs {
  /** Other ways to arrange the tiles of a group, the best first. */
  readonly alternatives: Job<
    {
      readonly at: PlacedGroup;
      readonly photos: readonly (PhotoShape & { readonly id: string })[];
      readonly seed: number;
    },
    readonly Alternative[]
  >;
  /** Prints laid over each other so that what matters of each is seen. */
  readonly scatter: Job<ScatterTask, readonly Lying[]>;
  /** Photos shared out over the pages of a row and arranged there: all pages of the row, held ones as they were. */
  readonly pacePages: Job<
    {
      readonly photos: readonly PacePhoto[];
      readonly row: PaceRow;
      readonly format: PageFormat;
      readonly hiddenMm: number;
      readonly style: Look;
      readonly seed: number;
    },
    readonly Page[]
  >;
  /**
   * What is wanted packed onto sheets, with the best plan so far as it goes on. Failure codes are those of a packing that
   * cannot begin.
   */
  readonly packSheets: Job<{ readonly sheets: PrintSheets; readonly seed: number }, SheetPlan>;
}

export interface PagesToCheck {
  readonly pages: readonly PageAt[];
  /** Every photo that is on them. */
  readonly photos: readonly Photo[];
  /** Those whose originals are not there any more. */
  readonly gone: readonly string[];
  /** For a photo one that shows the same with more pixels. */
  readonly twins: readonly (readonly [photoId: string, twinId: string])[];
  readonly beyondSrgb: readonly (readonly [photoId: string, share: number])[];
  /** Small previews of what may lie behind words. */
  readonly pictures: readonly { readonly photoId: string; readonly preview: Blob }[];
  readonly ownFonts: OwnFonts;
}

export interface CheckedPage {
  readonly pageId: string;
  readonly findings: readonly Finding[];
  readonly sharpness: readonly PlacedSharpness[];
}

export interface ProjectToCheck {
  readonly project: Project;
  /** Those of the call before where nothing is said: handing over thousands of photos takes longer than the check. */
  readonly facts: ProjectFacts | undefined;
}

export interface CheckJobs {
  readonly checkPages: Job<PagesToCheck, readonly CheckedPage[]>;
  readonly checkProject: Job<ProjectToCheck, readonly Finding[]>;
  /** Of each, the share of its pixels that sRGB cannot hold. */
  readonly beyondSrgb: Job<readonly Blob[], readonly number[]>;
}

/** A picture file of a page. */
export interface PictureOptions {
  readonly kind: PictureFormat;
  readonly colour: PrintColour;
  /** 0 to 1; of a JPEG, as are the two after it. */
  readonly quality: number;
  readonly chroma: "444" | "420";
  readonly progressive: boolean;
  /** Of a TIFF. */
  readonly packing?: TiffPacking | undefined;
  /** Of a TIFF: sixteen where a photo on it has them. */
  readonly bits?: ChannelBits | undefined;
  /** Photos made crisper, by what this kind of paper takes away. */
  readonly sharpenFor?: PaperKind | undefined;
}

export interface EncodeJobs {
  /** The pixels of a photo that is decoded at a fraction of its size; nothing for any other. */
  readonly framePixels: Job<
    {
      readonly photo: Photo;
      readonly original: Blob;
      readonly longPx: number;
      readonly colourSpace: "srgb" | "display-p3";
    },
    Pixels | undefined
  >;
  /** A stretch of a baseline JPEG, so that two can be coded at the same time. */
  readonly jpegPart: Job<
    { readonly options: Omit<JpegOptions, "progressive">; readonly rows: Uint8ClampedArray; readonly fromRow: number },
    readonly Uint8Array<ArrayBuffer>[]
  >;
}

export interface KeepAs {
  /** Of the browser's own file storage, for one packet of files. */
  readonly folder: string;
  readonly name: string;
}

export interface PrintOrder {
  readonly file: PrintFile;
  readonly options: PictureOptions;
  /** Facts and originals of every photo on it. */
  readonly photos: readonly { readonly photo: Photo; readonly original: Blob }[];
  /** Fonts that did not come along with the program. */
  readonly ownFonts: OwnFonts;
  /** So that it is there after a crash; in memory where it is missing. */
  readonly keepAs?: KeepAs | undefined;
}

export interface PrintedFile {
  readonly file: Blob;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
}

export interface PdfOrder {
  readonly title: string;
  /** A page each. */
  readonly files: readonly PrintFile[];
  readonly photos: PrintOrder["photos"];
  readonly ownFonts: OwnFonts;
  /** Lines that show where to cut. */
  readonly marks: boolean;
  /** What stands beside each page, where there are marks. */
  readonly slugs: readonly string[];
  /** For reading on screen: photos no finer than that takes. */
  readonly small: boolean;
  /** Photos that were kept without loss go in without loss. */
  readonly lossless: boolean;
  /** Nothing may show through anything: pages on which something does are made into pictures as far as that reaches. */
  readonly flattened: boolean;
  /** Black words in black ink alone. */
  readonly blackAlone: boolean;
  readonly keepAs?: KeepAs | undefined;
}

/** A page in a form to go on with. */
export interface PagePrint extends Pick<PrintOrder, "file" | "photos" | "ownFonts" | "keepAs"> {
  readonly title: string;
  /** Layers are named after their photos' captions. */
  readonly named: boolean;
}

export interface ProofPictureOrder {
  readonly page: PlacedPage;
  /** What of it is shown, in mm. */
  readonly box: Rect;
  readonly widthPx: number;
  readonly photos: readonly { readonly photo: Photo; readonly preview: Blob }[];
  readonly ownFonts: OwnFonts;
  readonly language: string;
  /** Across the picture; nothing where it is empty. */
  readonly mark: string;
}

export interface PrintJobs {
  /** A page to be read on a screen. Failure codes: `photoUnreadable`, `tooLargeHere`. */
  readonly proofPicture: Job<ProofPictureOrder, Blob>;
  /** Failure codes: `photoUnreadable`, `tooLargeHere`, `tooLargeForKind`, `fontMissing`, `fileWrong`. */
  readonly printPicture: Job<PrintOrder, PrintedFile>;
  /** Failure codes as of a picture. */
  readonly printPdf: Job<PdfOrder, PrintedFile>;
  readonly printSvg: Job<PagePrint, PrintedFile>;
  readonly printOra: Job<PagePrint, PrintedFile>;
}
