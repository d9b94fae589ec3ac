const escapes: Record<string, string> = { "&": "&amp;", "<": "&lt;", ">": "&gt;" };

/** Characters that XML 1.0 has no place for would make the whole packet unreadable. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: those are what is taken out
const unfit = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|\p{Surrogate}/gu;

const xmlText = (text: string): string => text.replace(unfit, "").replace(/[&<>]/g, (c) => escapes[c]!);

/** What a PDF says of itself as an XMP packet (ISO 16684-1) in UTF-8, for programs that read no information dictionary. */
export const xmpPacket = (title: string): string =>
  `<?xpacket begin="\ufeff" id="W5M0MpCehiHzreSzNTczkc9d"?>
<x:xmpmeta xmlns:x="adobe:ns:meta/">
<rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
<rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:pdf="http://ns.adobe.com/pdf/1.3/">
<dc:format>application/pdf</dc:format>
<dc:title><rdf:Alt><rdf:li xml:lang="x-default">${xmlText(title)}</rdf:li></rdf:Alt></dc:title>
<pdf:Producer>Tessip</pdf:Producer>
<pdf:Trapped>False</pdf:Trapped>
</rdf:Description>
</rdf:RDF>
</x:xmpmeta>
<?xpacket end="r"?>`;
