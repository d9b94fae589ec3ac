/** Where a file is given to the application. */
export type Door = "photos" | "papers" | "project" | "everything" | "templates" | "lab" | "finished" | "paste";

export interface Hostile {
  readonly name: string;
  readonly door: Door;
  readonly bytes: Uint8Array;
}

export type Put = (door: Door, name: string, bytes: Uint8Array | string) => void;
export interface Bend {
  readonly flipped: (bytes: Uint8Array, count: number, from?: number) => Uint8Array;
  readonly cut: (bytes: Uint8Array) => Uint8Array;
  readonly below: (n: number) => number;
}

export const bytesOf = (text: string) => new TextEncoder().encode(text);
