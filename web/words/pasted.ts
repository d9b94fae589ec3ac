import { mostLetters, type Span, type SpanLook } from "#core/words";

/** Text from anywhere, with what of its looks is kept: bold, italics, underlines, raised letters and lists. */
export interface Pasted {
  readonly text: string;
  readonly spans: readonly Span[];
}

const unseen = new Set([
  "SCRIPT",
  "STYLE",
  "TITLE",
  "META",
  "LINK",
  "TEMPLATE",
  "NOSCRIPT",
  "IFRAME",
  "OBJECT",
  "SVG",
  "svg",
]);
const blocks = new Set(
  "P DIV LI UL OL H1 H2 H3 H4 H5 H6 TR TABLE BLOCKQUOTE SECTION ARTICLE HEADER FOOTER PRE DL DT DD FIGURE".split(" "),
);

/** Of HTML, which is never put on a page: no script runs in what a parser makes, and nothing is fetched. */
export function pastedHtml(html: string): Pasted {
  const body = new DOMParser().parseFromString(html.slice(0, 4 * mostLetters), "text/html").body;
  let text = "";
  const spans: Span[] = [];
  const put = (words: string, look: SpanLook) => {
    if (words === "" || text.length >= mostLetters) return;
    const from = text.length;
    text = (text + words).slice(0, mostLetters);
    if (Object.keys(look).length > 0 && text.length > from) spans.push({ ...look, from, to: text.length });
  };
  const line = (look: SpanLook) => {
    if (text !== "" && !text.endsWith("\n")) put("\n", look);
  };
  const walk = (node: Node, look: SpanLook, kept: boolean) => {
    if (node instanceof Text) {
      const words = kept ? node.data : node.data.replace(/[\s\u200b]+/gu, " ");
      const first = text === "" || /\s$/u.test(text);
      put(first && !kept ? words.replace(/^ /, "") : words, look);
      return;
    }
    if (!(node instanceof Element) || unseen.has(node.tagName)) return;
    if (node.tagName === "BR") {
      put("\n", look);
      return;
    }
    const own = { ...look, ...lookOf(node) };
    const block = blocks.has(node.tagName);
    if (block) line(look);
    for (const child of node.childNodes) walk(child, own, kept || node.tagName === "PRE");
    if (block) line(own);
  };
  walk(body, {}, false);
  const end = text.replace(/\s+$/u, "").length;
  return {
    text: text.slice(0, end),
    spans: spans.flatMap((s) => (s.from < end ? [{ ...s, to: Math.min(s.to, end) }] : [])),
  };
}

function lookOf(element: Element): SpanLook {
  const { style } = element as HTMLElement;
  const weight = style?.fontWeight ?? "";
  const bold = /^(B|STRONG|H[1-6]|TH)$/.test(element.tagName) ? weight !== "normal" : /^(bold|[6-9]00)$/.test(weight);
  return {
    ...(bold ? { bold: true } : {}),
    ...(/^(I|EM|CITE)$/.test(element.tagName) || style?.fontStyle === "italic" ? { italic: true } : {}),
    ...(element.tagName === "U" || style?.textDecoration?.includes("underline") ? { underline: true } : {}),
    ...(element.tagName === "SUP"
      ? { raised: "up" as const }
      : element.tagName === "SUB"
        ? { raised: "down" as const }
        : {}),
    ...(element.tagName === "LI"
      ? { list: element.parentElement?.tagName === "OL" ? ("numbers" as const) : ("dots" as const) }
      : {}),
  };
}

/** Plain text as it can be set: line ends of one kind, and none of the marks that are not seen. */
export const pastedText = (text: string): string =>
  text
    .replace(/\r\n?|\u2028|\u2029/gu, "\n")
    // biome-ignore lint/suspicious/noControlCharactersInRegex: those are what is taken out
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\ufeff]/gu, "")
    .slice(0, mostLetters);
