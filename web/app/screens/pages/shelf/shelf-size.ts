import { useSyncExternalStore } from "react";
import type { Waits } from "#core/document";
import { useViewState } from "../../../state/session/hooks.ts";
import {
  type Drawer,
  drawers,
  type ShelfSize,
  shelfSizes,
  type ViewStateStore,
} from "../../../state/view-state/view-state.ts";

const rowPx = 94;
const barPx = 44;

const stepped = (size: ShelfSize, by: 1 | -1): ShelfSize =>
  shelfSizes[Math.min(shelfSizes.length - 1, Math.max(0, shelfSizes.indexOf(size) + by))]!;

export const shelfUp = (viewState: ViewStateStore): void => viewState.setState((s) => ({ shelf: stepped(s.shelf, 1) }));
export const shelfDown = (viewState: ViewStateStore): void =>
  viewState.setState((s) => ({ shelf: stepped(s.shelf, -1) }));

/** Opens a drawer; a shelf that is folded away comes up for it. */
export const openDrawer = (viewState: ViewStateStore, drawer: Drawer): void =>
  viewState.setState((s) => ({ drawer, shelf: s.shelf === "folded" ? "one" : s.shelf }));

/** What an empty place can be filled with, where nothing of the kind is in sight. */
export function showWhatFills(viewState: ViewStateStore, waits: Waits["for"]): void {
  if (waits === "paper") openDrawer(viewState, "papers");
  if (waits !== "photo") return;
  const { drawer, shelf } = viewState.getState();
  const fills = drawer === "photos" || drawer === "papers" || drawer === "ornaments";
  if (!fills || shelf === "folded") openDrawer(viewState, fills ? drawer : "photos");
}

export const nextDrawer = (viewState: ViewStateStore): void =>
  openDrawer(viewState, drawers[(drawers.indexOf(viewState.getState().drawer) + 1) % drawers.length]!);

const onResize = (tell: () => void) => {
  addEventListener("resize", tell);
  return () => removeEventListener("resize", tell);
};

/** How many rows of photos the shelf has room for. */
export function useShelfRows(): number {
  const size = useViewState((s) => s.shelf);
  const windowPx = useSyncExternalStore(onResize, () => innerHeight);
  if (size === "half") return Math.max(2, Math.floor((windowPx / 2 - barPx) / rowPx));
  return size === "two" ? 2 : 1;
}

/** How high what is in a drawer is, in CSS pixels; the same for all of them. */
export const useDrawerPx = (): number => 38 + useShelfRows() * rowPx;

/** Cards of pages, in CSS pixels: the longer side of the picture, and the card. Pulled up to half the window they are large enough to compare. */
export function useCardSize(): { readonly longPx: number; readonly widePx: number } {
  const half = useViewState((s) => s.shelf === "half");
  return half ? { longPx: 140, widePx: 160 } : { longPx: 82, widePx: 112 };
}
