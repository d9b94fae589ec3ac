/** The buffers of the arrays that stand in a list or an object, each once, to be given away with it. */
export function buffersIn(of: unknown): ArrayBuffer[] {
  const found = new Set<ArrayBuffer>();
  for (const v of typeof of === "object" && of !== null ? Object.values(of) : [])
    if (ArrayBuffer.isView(v)) found.add(v.buffer as ArrayBuffer);
  return [...found];
}
