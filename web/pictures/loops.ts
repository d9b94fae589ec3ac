import { type LoopMemory, type Loops, loopsWasm, plainResampler, QuickResampler, type Resampler } from "#core/pixels";
import { quickToner, type ToneLoop, type Toner, toneInto } from "#core/tone";

let resampler: Resampler | undefined;
let toner: Toner | undefined;

/** The quick one where WebAssembly with SIMD runs, else the plain one. */
export function openResampler(): Resampler {
  resampler ??= quickly<Loops, Resampler>((loops, memory) => new QuickResampler(loops, memory), plainResampler);
  return resampler;
}

/** As `openResampler`, for tones. */
export function openToner(): Toner {
  toner ??= quickly<ToneLoop, Toner>(quickToner, toneInto);
  return toner;
}

function quickly<Program, Tool>(make: (program: Program, memory: LoopMemory) => Tool, plain: Tool): Tool {
  try {
    const memory = new WebAssembly.Memory({ initial: 2 });
    const bytes = Uint8Array.from(atob(loopsWasm), (c) => c.charCodeAt(0));
    const { exports } = new WebAssembly.Instance(new WebAssembly.Module(bytes), { env: { memory, abort: () => {} } });
    return make(exports as unknown as Program, memory as unknown as LoopMemory);
  } catch {
    return plain;
  }
}
