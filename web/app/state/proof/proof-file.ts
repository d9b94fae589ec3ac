import { type ProofData, type ProofWordsPlain, proofPage, scriptInPage } from "#core/notes";
import { reader as words } from "../../../text/index.ts";

/** Pictures as JPEG. */
export interface ProofPictures {
  readonly leaves: readonly Blob[];
  readonly offers: readonly Blob[];
}

export const plainWordsOf = (data: ProofData): ProofWordsPlain => ({
  title: words.fileTitle(data.workName),
  state: words.state(data.madeAt),
  noScripts: words.noScripts,
  leaves: data.leaves.map((l) => words.leaf(l.label)),
});

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

/** A proof as one HTML file with everything in it: nothing is fetched, and nothing runs but the program that it names by its hash. */
export async function proofFile(
  data: ProofData,
  pictures: ProofPictures,
  program: { readonly script: string; readonly style: string },
): Promise<Blob> {
  const script = scriptInPage(program.script);
  const policy = [
    "default-src 'none'",
    `script-src ${await hashOf(script)}`,
    `style-src ${await hashOf(program.style)}`,
    "img-src data: blob:",
    "font-src data:",
    "base-uri 'none'",
    "form-action 'none'",
  ].join("; ");
  const [leaves, offers] = await Promise.all(
    [pictures.leaves, pictures.offers].map((list) => Promise.all(list.map(inFile))),
  );
  const page = proofPage(data, plainWordsOf(data), {
    policy,
    script,
    style: program.style,
    leaf: (i) => leaves![i]!,
    offer: (i) => offers![i]!,
  });
  return new Blob([...page], { type: "text/html" });
}
