import { type ProofData, proofParts } from "../../../reader/proof-data.ts";
import { reader as words } from "../../../text/index.ts";

/** Pictures as JPEG. */
export interface ProofPictures {
  readonly leaves: readonly Blob[];
  readonly offers: readonly Blob[];
}

const plain = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** As a source of an image that stands in the file itself. */
async function inFile(picture: Blob): Promise<string> {
  const bytes = new Uint8Array(await picture.arrayBuffer());
  const parts: string[] = [];
  // Spread over too many arguments a call would fail.
  for (let i = 0; i < bytes.length; i += 0x8000) parts.push(String.fromCharCode(...bytes.subarray(i, i + 0x8000)));
  return `data:image/jpeg;base64,${btoa(parts.join(""))}`;
}

async function hashOf(text: string): Promise<string> {
  const digest = new Uint8Array(await crypto.subtle.digest("SHA-256", new TextEncoder().encode(text)));
  return `'sha256-${btoa(String.fromCharCode(...digest))}'`;
}

/**
 * A proof as one HTML file: its pages stand in it as pictures with their words, for browsers that run no scripts; the reader takes them over. What
 * may run, look and be fetched is named by hash in a policy (CSP, level 3), so that nothing else does.
 */
export async function proofFile(
  data: ProofData,
  pictures: ProofPictures,
  program: { readonly script: string; readonly style: string },
): Promise<Blob> {
  // Within an element, its own end would end it.
  const script = program.script.replaceAll("</script", "<\\/script");
  const json = JSON.stringify(data).replaceAll("<", "\\u003c");
  const policy = [
    "default-src 'none'",
    `script-src ${await hashOf(script)}`,
    `style-src ${await hashOf(program.style)}`,
    "img-src data: blob:",
    "font-src data:",
    "base-uri 'none'",
    "form-action 'none'",
  ].join("; ");
  const title = plain(words.fileTitle(data.workName));
  const head = `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="${plain(policy)}">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="referrer" content="no-referrer">
<meta name="robots" content="noindex">
<title>${title}</title>
<style>${program.style}</style>
</head>
<body>
<div id="${proofParts.root}"></div>
<main class="plain">
<h1>${title}</h1>
<p>${plain(words.state(data.madeAt))}</p>
<p>${plain(words.noScripts)}</p>
`;
  const parts: BlobPart[] = [head];
  for (const [i, leaf] of data.leaves.entries()) {
    const said = leaf.words.map((w) => `<p>${plain(w.text)}</p>`).join("");
    const name = plain(words.leaf(leaf.label));
    parts.push(
      `<figure><figcaption>${name}</figcaption><img id="${proofParts.leaf(i)}" alt="${name}" loading="lazy" decoding="async" src="`,
      await inFile(pictures.leaves[i]!),
      `">${said}</figure>\n`,
    );
  }
  parts.push("</main>\n<div hidden>\n");
  for (const [i, picture] of pictures.offers.entries())
    parts.push(
      `<img id="${proofParts.offer(i)}" alt="" loading="lazy" decoding="async" src="`,
      await inFile(picture),
      `">\n`,
    );
  parts.push(
    `</div>\n<script type="application/json" id="${proofParts.data}">${json}</script>\n`,
    `<script>${script}</script>\n</body>\n</html>\n`,
  );
  return new Blob(parts, { type: "text/html" });
}
