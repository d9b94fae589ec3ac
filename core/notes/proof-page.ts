import type { ProofData } from "./proof-data.ts";

/** Where the reader finds its parts in the file. */
export const proofParts = {
  data: "proof-data",
  leaf: (i: number) => `leaf-${i}`,
  offer: (i: number) => `offer-${i}`,
  root: "reader",
};

/** What the page says before, or without, its program; in the language of whoever made the proof. */
export interface ProofWordsPlain {
  readonly title: string;
  readonly state: string;
  readonly noScripts: string;
  /** What each leaf is called. */
  readonly leaves: readonly string[];
}

const plain = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/**
 * A proof as an HTML page, in pieces: its pages stand in it as pictures with their words, for browsers that run no scripts; the program takes them
 * over. `policy`: what may run, look and be fetched (CSP, level 3). Pictures are named by their sources.
 */
export function* proofPage(
  data: ProofData,
  words: ProofWordsPlain,
  given: {
    readonly policy: string;
    readonly script: string;
    readonly style: string;
    readonly leaf: (i: number) => string;
    readonly offer: (i: number) => string;
  },
): Generator<string> {
  const title = plain(words.title);
  yield `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="${plain(given.policy)}">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="referrer" content="no-referrer">
<meta name="robots" content="noindex">
<title>${title}</title>
<style>${given.style}</style>
</head>
<body>
<div id="${proofParts.root}"></div>
<main class="plain">
<h1>${title}</h1>
<p>${plain(words.state)}</p>
<p>${plain(words.noScripts)}</p>
`;
  for (const [i, leaf] of data.leaves.entries()) {
    const said = leaf.words.map((w) => `<p>${plain(w.text)}</p>`).join("");
    const name = plain(words.leaves[i] ?? "");
    yield `<figure><figcaption>${name}</figcaption><img id="${proofParts.leaf(i)}" alt="${name}" loading="lazy" decoding="async" src="`;
    yield plain(given.leaf(i));
    yield `">${said}</figure>\n`;
  }
  yield "</main>\n<div hidden>\n";
  for (const i of data.offers.keys()) {
    yield `<img id="${proofParts.offer(i)}" alt="" loading="lazy" decoding="async" src="`;
    yield plain(given.offer(i));
    yield `">\n`;
  }
  // Within an element, its own end would end it.
  const json = JSON.stringify(data).replaceAll("<", "\\u003c");
  yield `</div>\n<script type="application/json" id="${proofParts.data}">${json}</script>\n`;
  yield `<script>${given.script}</script>\n</body>\n</html>\n`;
}

/** A program as it may stand within a script element. */
export const scriptInPage = (script: string): string => script.replaceAll("</script", "<\\/script");
