/** The open page's place on the screen: set by the mat that shows it, asked for by whatever is dragged over it. */
let sheet: HTMLElement | null = null;

export const openSheet = {
  ref(element: HTMLElement | null): void {
    sheet = element;
  },
  /** What the page is painted on. */
  canvas: (): HTMLCanvasElement | undefined => sheet?.querySelector("canvas") ?? undefined,
  rect: (): DOMRect | undefined => sheet?.getBoundingClientRect(),
};
