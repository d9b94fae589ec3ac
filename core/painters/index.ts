export { cutMarks, marksMm, type PdfNames, type PdfSheet, pdfContent } from "./pdf-content.ts";
