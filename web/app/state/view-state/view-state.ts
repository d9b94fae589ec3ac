import { createStore } from "zustand/vanilla";
import type { Frame } from "#core/document";
import type { Aid, Balance, Brush, Dragged, DropMeaning } from "#core/edit";
import type { NoteEvent, NotePlace } from "#core/notes";
import { noFilter, type PhotoFilter, type Section } from "#core/photo";
import { type Choice, nothingChosen } from "./choose.ts";

export type MatTone = "light" | "grey" | "dark";

export const drawers = ["photos", "ways", "templates", "papers", "ornaments", "shapes", "words"] as const;
export type Drawer = (typeof drawers)[number];

/** Folded away, a row, two rows, half the window. */
export const shelfSizes = ["folded", "one", "two", "half"] as const;
export type ShelfSize = (typeof shelfSizes)[number];

/** A stretch of a text, in UTF-16. */
export interface Marked {
  readonly from: number;
  readonly to: number;
}

export interface SideChange {
  /** As it was asked for; missing where it would tear a spread apart. */
  readonly doIt: (() => void) | undefined;
  /** What keeps every page on its side. */
  readonly keep: { readonly words: string; readonly doIt: () => void } | undefined;
}

export interface NotesShown {
  readonly open: boolean;
  /** The note that is read. */
  readonly at: string | undefined;
  /** What a new one is about, while it is written. */
  readonly about: NotePlace | undefined;
  /** The next click on a page says where it belongs. */
  readonly pointing: boolean;
}

export interface CameBack {
  readonly file: File;
  readonly work: { readonly id: string; readonly name: string };
  readonly fresh: readonly NoteEvent[];
}

/** What a person has in hand at this moment and is no part of the project: choices, the open tile, the mat. */
export interface ViewState {
  /** Which part of the library is open. */
  readonly section: Section;
  readonly photos: Choice;
  /** What is chosen among the photos goes along into the project that is opened next. */
  readonly carried: boolean;
  readonly tiles: Choice;
  /** The tile whose look is in hand, for those that are chosen next. */
  readonly lookFrom: string | undefined;
  /** Whether the panel shows the look of the open page or that of all of them. */
  readonly lookOf: "page" | "work";
  /** The tile that is open: its photo is being reframed or brushed. */
  readonly reframing: string | undefined;
  /** What is drawn over the open tile is a brush. */
  readonly brushing: boolean;
  readonly brush: Brush;
  /** Where tiles lie whose new places are only shown: drawn as a trace over those. */
  readonly traces: readonly Frame[];
  /** The tile whose words are being written. */
  readonly writing: string | undefined;
  /** The letters of them that are marked, or where the caret stands. */
  readonly marked: Marked | undefined;
  /** What is marked as soon as words are opened to be written; all of them where nothing is said. */
  readonly toMark: Marked | undefined;
  /** A line is to be drawn on it, by which it is straightened. */
  readonly straightening: boolean;
  /** What the shelf shows, and how much of the window it takes. */
  readonly drawer: Drawer;
  readonly shelf: ShelfSize;
  /** What is being dragged, and what letting go now would do. */
  readonly drop: { readonly dragged: Dragged | undefined; readonly meaning: DropMeaning };
  /** A change of the row of pages that would turn pages over, until a person says whether it may. */
  readonly turning: SideChange | undefined;
  readonly mat: MatTone;
  readonly cutLines: boolean;
  /** What is drawn over the page to compose it by. */
  readonly aid: Aid;
  /** What of the page weighs, and places for accents, while that is looked at. */
  readonly balance: Balance | undefined;
  /** Boxes that lie freely are moved and sized over their photos, which stay where they are. */
  readonly photoStays: boolean;
  /** What the library is narrowed to. */
  readonly filter: PhotoFilter;
  /** Piles that are spread out, by the id of their top photo. */
  readonly openPiles: ReadonlySet<string>;
  /** It is asked whether the chosen photos may be removed. */
  readonly removing: boolean;
  /** The photo whose sheet is open. */
  readonly sheet: string | undefined;
  readonly notes: NotesShown;
  /** A file of a work that is here already, with notes that are not, until a person says what to take of it. */
  readonly cameBack: CameBack | undefined;
}

export const nothingDragged: ViewState["drop"] = { dragged: undefined, meaning: { does: "nothing" } };

export const noNotesShown: NotesShown = { open: false, at: undefined, about: undefined, pointing: false };

export const createViewState = () =>
  createStore<ViewState>(() => ({
    section: "photos",
    photos: nothingChosen,
    carried: false,
    tiles: nothingChosen,
    lookFrom: undefined,
    lookOf: "page",
    reframing: undefined,
    brushing: false,
    brush: { does: "hide", radiusMm: 12, hardness: 0, strength: 1 },
    traces: [],
    writing: undefined,
    marked: undefined,
    toMark: undefined,
    straightening: false,
    drawer: "photos",
    shelf: "one",
    drop: nothingDragged,
    turning: undefined,
    mat: "light",
    cutLines: true,
    aid: "none",
    balance: undefined,
    photoStays: false,
    filter: noFilter,
    openPiles: new Set(),
    removing: false,
    sheet: undefined,
    notes: noNotesShown,
    cameBack: undefined,
  }));

export type ViewStateStore = ReturnType<typeof createViewState>;
