import wasmUrl from "libheif-js/libheif-wasm/libheif.wasm?url";

interface HeifImage {
  get_width(): number;
  get_height(): number;
  display(into: ImageData, done: (filled: ImageData | null) => void): void;
  free(): void;
}
interface LibHeif {
  readonly HeifDecoder: new () => { decode(bytes: Uint8Array): HeifImage[] };
}

let library: Promise<LibHeif> | undefined;

/** The decoder's program is fetched when the first HEIC comes, as a file of its own that can be replaced. */
function open(): Promise<LibHeif> {
  library ??= (async () => {
    const { default: start } = await import("libheif-js/libheif-wasm/libheif.js");
    const wasmBinary = await (await fetch(wasmUrl)).arrayBuffer();
    return await new Promise<LibHeif>((ready) => {
      const made = start({
        wasmBinary, // Called before `start` has returned where the program is there already.
        onRuntimeInitialized: () => queueMicrotask(() => ready(made as LibHeif)),
      });
    });
  })();
  return library;
}

/** The main picture of a HEIC or HEIF file, already turned as its own boxes say. Rejects for damaged files. */
export async function decodeHeic(bytes: Uint8Array): Promise<ImageData> {
  const { HeifDecoder } = await open();
  const [image] = new HeifDecoder().decode(bytes);
  if (!image) throw new Error("no picture in the HEIF file");
  try {
    const pixels = new ImageData(image.get_width(), image.get_height());
    return await new Promise((done, failed) =>
      image.display(pixels, (filled) =>
        filled ? done(filled) : failed(new Error("HEIF picture could not be decoded")),
      ),
    );
  } finally {
    image.free();
  }
}
