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
