/** Bytes packed as a zlib stream (RFC 1950), by the browser. */
export const deflated = (bytes: Uint8Array<ArrayBuffer>): Promise<Uint8Array<ArrayBuffer>> =>
  through(bytes, new CompressionStream("deflate"));

/** The way back. Rejects for what is no such stream. */
export const inflated = (bytes: Uint8Array<ArrayBuffer>): Promise<Uint8Array<ArrayBuffer>> =>
  through(bytes, new DecompressionStream("deflate"));

const through = async (
  bytes: Uint8Array<ArrayBuffer>,
  stream: CompressionStream | DecompressionStream,
): Promise<Uint8Array<ArrayBuffer>> =>
  new Uint8Array(await new Response(new Blob([bytes]).stream().pipeThrough(stream)).arrayBuffer());

/** The way back for what a stranger packed: rejects as soon as more comes out than there may be. */
export async function inflatedUpTo(bytes: Uint8Array<ArrayBuffer>, most: number): Promise<Uint8Array<ArrayBuffer>> {
  const out = new Uint8Array(most);
  const plain = new Blob([bytes]).stream().pipeThrough(new DecompressionStream("deflate"));
  let at = 0;
  for await (const part of plain as unknown as AsyncIterable<Uint8Array>) {
    if (at + part.length > most) throw new RangeError(`more than ${most} bytes`);
    out.set(part, at);
    at += part.length;
  }
  return out.subarray(0, at);
}
