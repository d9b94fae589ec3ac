export { type OraLayer, oraStack, oraType } from "./ora-stack.ts";
export { cutMarks, marksMm, type PdfNames, type PdfSheet, pdfContent } from "./pdf-content.ts";
export { type SvgSheet, type SvgSupply, svgOf } from "./svg-page.ts";
