/** The open page's place on the screen: set by the mat that shows it, asked for by whatever is dragged over it. */
let sheet: HTMLElement | null = null;

export const openSheet = {
  ref(element: HTMLElement | null): void {
    sheet = element;
  },
  rect: (): DOMRect | undefined => sheet?.getBoundingClientRect(),
};
