import { type LoopMemory, type Loops, loopsWasm, plainResampler, QuickResampler, type Resampler } from "#core/pixels";

let opened: Promise<Resampler> | undefined;

/** The quick one where WebAssembly with SIMD runs, else the plain one. */
export function openResampler(): Promise<Resampler> {
  opened ??= quick().catch(() => plainResampler);
  return opened;
}

async function quick(): Promise<Resampler> {
  const memory = new WebAssembly.Memory({ initial: 2 });
  const bytes = Uint8Array.from(atob(loopsWasm), (c) => c.charCodeAt(0));
  const { instance } = await WebAssembly.instantiate(bytes, { env: { memory, abort: () => {} } });
  return new QuickResampler(instance.exports as unknown as Loops, memory as unknown as LoopMemory);
}
