// TypeScript for Jest. Jest runs tests in a context of its own, where every look at a global costs half a microsecond, a
// hundred times as much as elsewhere; arithmetic asks for Math all the time. So each module holds those it may ask for.
import { createHash } from "node:crypto";
import swcJest from "@swc/jest";

/** Those that no fake timer replaces. */
const held = [
  ...["Array", "BigInt", "Error", "JSON", "Map", "Math", "Number", "Object", "Promise", "Set", "String", "WeakMap"],
  ...["ArrayBuffer", "DataView", "Float32Array", "Float64Array", "Int8Array", "Int16Array", "Int32Array"],
  ...["Uint8Array", "Uint8ClampedArray", "Uint16Array", "Uint32Array"],
];
// On the line of the module's own first statement, so that lines in stack traces stay right.
const front = `const { ${held.join(", ")} } = globalThis; `;

export default {
  createTransformer(options) {
    const swc = swcJest.createTransformer(options);
    const withFront = (done) => ({ ...done, code: front + done.code });
    return {
      ...swc,
      process: (...from) => withFront(swc.process(...from)),
      processAsync: async (...from) => withFront(await swc.processAsync(...from)),
      getCacheKey: (...from) =>
        createHash("sha1")
          .update(front)
          .update(swc.getCacheKey(...from))
          .digest("hex"),
    };
  },
};
