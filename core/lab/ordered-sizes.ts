import type { LabCard, PrintSize } from "./card.ts";
import type { Packet } from "./schema/packet.ts";

export interface OrderedSizes {
  /** By the name on the lab's card, in the order in which they first come. */
  readonly sizes: readonly { readonly name: string; readonly count: number }[];
  /** Of everything, without postage; missing where the card has no price for some of it. */
  readonly price: number | undefined;
}

/** How many of which size a packet asks for: books as whole books, everything else file by file. */
export function orderedSizes(card: LabCard, { files, sizeId, book }: Packet): OrderedSizes {
  const sizeOf = (id: string | undefined): PrintSize | undefined => card.sizes.find((s) => s.id === id);
  // A document holds as many pages as it likes, so what it comes to is for the lab to say.
  if (!book && files.some((f) => f.holds === "document")) return { sizes: [], price: undefined };
  const pieces = book
    ? [{ size: sizeOf(sizeId), count: files[0]?.copies ?? 1 }]
    : files.map((f) => ({ size: sizeOf(f.sizeId ?? sizeId), count: f.copies }));
  const counts = new Map<string, number>();
  let price: number | undefined = 0;
  for (const { size, count } of pieces) {
    if (size) counts.set(size.name, (counts.get(size.name) ?? 0) + count);
    price = price === undefined || size?.price === undefined ? undefined : price + count * size.price;
  }
  return { sizes: [...counts].map(([name, count]) => ({ name, count })), price };
}
