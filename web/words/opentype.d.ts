/** As much as the tests need of it. */
declare module "opentype.js" {
  interface Glyph {
    readonly index: number;
  }
  interface Facts {
    readonly unitsPerEm: number;
    readonly ascender: number;
    readonly descender: number;
  }
  interface Font extends Facts {
    readonly glyphs: { readonly length: number; get(i: number): Glyph };
    toArrayBuffer(): ArrayBuffer;
  }
  const opentype: {
    readonly Font: new (
      facts: Facts & { readonly familyName: string; readonly styleName: string; readonly glyphs: readonly Glyph[] },
    ) => Font;
    parse(sfnt: ArrayBuffer): Font;
  };
  export default opentype;
}
