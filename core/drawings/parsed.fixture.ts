import type { SvgElement } from "#core/drawings";

const plain = (text: string): string => text.replace(/&#(\d+);/g, (_, code) => String.fromCharCode(Number(code)));

/** Reads the XML that this program writes: elements with their attributes, and the text of those that hold nothing else. */
export function parsed(xml: string): SvgElement {
  type Open = { name: string; attributes: Record<string, string>; children: SvgElement[]; text: string };
  const root: Open = { name: "", attributes: {}, children: [], text: "" };
  const open = [root];
  for (const [, end, name, attributes, alone, text] of xml.matchAll(/<(\/?)([a-zA-Z]+)([^>]*?)(\/?)>([^<]*)/g)) {
    if (end) open.pop();
    else {
      const list = [...attributes!.matchAll(/(?:\w+:)?([\w-]+)="([^"]*)"/g)];
      const element: Open = {
        name: name!,
        attributes: Object.fromEntries(list.map(([, k, v]) => [k!, plain(v!)])),
        children: [],
        text: name === "title" ? plain(text!) : "",
      };
      open.at(-1)!.children.push(element);
      if (!alone) open.push(element);
    }
  }
  return root.children[0]!;
}
