declare module "libheif-js/libheif-wasm/libheif.js" {
  const start: (options: { readonly wasmBinary: ArrayBuffer; readonly onRuntimeInitialized: () => void }) => unknown;
  export default start;
}
