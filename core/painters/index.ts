export { type OraLayer, oraStack, oraType } from "./ora-stack.ts";
export { marksMm, maskPlace, type PdfNames, type PdfSheet, pdfContent, printersMarks, slugBox } from "./pdf-content.ts";
export { pathOf as svgPath, type SvgSheet, type SvgSupply, svgOf } from "./svg-page.ts";
