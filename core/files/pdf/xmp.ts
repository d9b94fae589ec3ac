const escapes: Record<string, string> = { "&": "&amp;", "<": "&lt;", ">": "&gt;" };

/** Characters that XML 1.0 has no place for would make the whole packet unreadable. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: those are what is taken out
const unfit = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|\p{Surrogate}/gu;

const xmlText = (text: string): string => text.replace(unfit, "").replace(/[&<>]/g, (c) => escapes[c]!);

/** What a PDF says of itself. */
export interface PdfAbout {
  readonly title: string;
  /** When it was made, as an ISO 8601 time. */
  readonly at: string;
  /** A UUID. */
  readonly id: string;
  /** Whether it is a file for print as ISO 15930-7 has it. */
  readonly pdfX: boolean;
}

/** A time as PDF writes it (ISO 32000-1, 7.9.4), of an ISO 8601 time in UTC. */
export const pdfDate = (at: string): string => `D:${at.slice(0, 19).replace(/[-:T]/g, "")}Z`;

/**
 * The same as an XMP packet (ISO 16684-1) in UTF-8, for programs that read no information dictionary, with what PDF/X-4 (ISO 15930-7,
 * 6.7) asks for.
 */
export const xmpPacket = ({ title, at, id, pdfX }: PdfAbout): string =>
  `<?xpacket begin="\ufeff" id="W5M0MpCehiHzreSzNTczkc9d"?>
<x:xmpmeta xmlns:x="adobe:ns:meta/">
<rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
<rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:pdf="http://ns.adobe.com/pdf/1.3/" xmlns:xmp="http://ns.adobe.com/xap/1.0/" xmlns:xmpMM="http://ns.adobe.com/xap/1.0/mm/" xmlns:pdfxid="http://www.npes.org/pdfx/ns/id/">
<dc:format>application/pdf</dc:format>
<dc:title><rdf:Alt><rdf:li xml:lang="x-default">${xmlText(title)}</rdf:li></rdf:Alt></dc:title>
<pdf:Producer>Tessip</pdf:Producer>
<pdf:Trapped>False</pdf:Trapped>
<xmp:CreatorTool>Tessip</xmp:CreatorTool>
<xmp:CreateDate>${at}</xmp:CreateDate>
<xmp:ModifyDate>${at}</xmp:ModifyDate>
<xmp:MetadataDate>${at}</xmp:MetadataDate>
<xmpMM:DocumentID>uuid:${id}</xmpMM:DocumentID>
<xmpMM:VersionID>1</xmpMM:VersionID>
<xmpMM:RenditionClass>default</xmpMM:RenditionClass>
${pdfX ? "<pdfxid:GTS_PDFXVersion>PDF/X-4</pdfxid:GTS_PDFXVersion>\n" : ""}</rdf:Description>
</rdf:RDF>
</x:xmpmeta>
<?xpacket end="r"?>`;
