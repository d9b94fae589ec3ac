import type { Put } from "./shape.ts";

const svg = (inside: string, more = 'viewBox="0 0 100 100"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${more}>${inside}</svg>`;

export function drawings(put: Put): void {
  const drawing = (name: string, text: string) => put("papers", `${name}.svg`, text);
  let bomb = '<g id="u0"><rect width="9" height="9"/></g>';
  for (let i = 1; i < 12; i += 1) bomb += `<g id="u${i}">${`<use href="#u${i - 1}"/>`.repeat(10)}</g>`;
  drawing("use-bomb", svg(`<defs>${bomb}</defs><use href="#u11"/>`));
  drawing("use-bomb-xlink", svg(`<defs>${bomb.replaceAll("href", "xlink:href")}</defs><use xlink:href="#u11"/>`));
  drawing("use-loop", svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>'));
  drawing("use-itself", svg('<use id="a" href="#a"/>'));
  drawing("segments", svg(`<path d="M0 0${"l1 1".repeat(300_000)}"/>`));
  drawing("polygon", svg(`<polygon points="${"1,2 ".repeat(300_000)}"/>`));
  drawing("elements", svg("<rect width='1' height='1'/>".repeat(140_000)));
  drawing("deep", svg(`${"<g>".repeat(30_000)}${"</g>".repeat(30_000)}`));
  drawing(
    "entities",
    `<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]>${svg("<text>&b;</text>")}`,
  );
  drawing("entity-file", `<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>${svg("<text>&x;</text>")}`);
  const acts = [
    "<script>document.title='ran'</script>",
    '<script href="https://example.test/x.js"/>',
    '<rect width="9" height="9" onload="document.title=\'ran\'" onclick="document.title=\'ran\'"/>',
    '<image href="x" onerror="document.title=\'ran\'" width="9" height="9"/>',
    "<a href=\"javascript:document.title='ran'\"><text>x</text></a>",
    '<image href="https://example.test/x.png" width="9" height="9"/>',
    '<image href="file:///etc/passwd" width="9" height="9"/>',
    '<use href="https://example.test/x.svg#a"/>',
    "<style>@import 'https://example.test/x.css';</style>",
    "<style>rect{fill:url(https://example.test/x)}</style>",
    "<style>@font-face{font-family:x;src:url(https://example.test/x.woff)}</style>",
    '<foreignObject width="9" height="9"><iframe xmlns="http://www.w3.org/1999/xhtml" src="javascript:1"/></foreignObject>',
    '<foreignObject width="9" height="9"><body xmlns="http://www.w3.org/1999/xhtml" onload="document.title=\'ran\'"/></foreignObject>',
    '<set attributeName="href" to="javascript:1"/>',
    '<animate attributeName="href" values="javascript:1;javascript:2"/>',
    '<filter id="f"><feImage href="https://example.test/x"/></filter><rect filter="url(#f)" width="9" height="9"/>',
    '<rect style="fill:u\\72l(https://example.test)" width="9" height="9"/>',
    '<image href="data:image/svg+xml;base64,PHN2Zy8+" width="9" height="9"/>',
    "<handler type='application/ecmascript'>1</handler>",
    "<desc><![CDATA[</desc><script>document.title='ran'</script>]]></desc>",
    '<text><tspan onfocus="document.title=\'ran\'" tabindex="0" autofocus="">x</tspan></text>',
  ];
  for (const [i, act] of acts.entries())
    drawing(`acts-${i}`, svg(`${act}<rect width="50" height="50" fill="#7f9c56"/>`));
  drawing(
    "pattern-loop",
    svg(
      '<pattern id="p" width="1" height="1"><rect width="9" height="9" fill="url(#p)"/></pattern><rect width="9" height="9" fill="url(#p)"/>',
    ),
  );
  drawing(
    "mask-loop",
    svg('<mask id="m"><rect width="9" height="9" mask="url(#m)"/></mask><rect width="9" height="9" mask="url(#m)"/>'),
  );
  drawing(
    "blur",
    svg(
      '<filter id="f"><feGaussianBlur stdDeviation="100000"/></filter><rect width="99" height="99" filter="url(#f)"/>',
    ),
  );
  drawing("huge", svg('<rect width="9" height="9"/>', 'width="1e30" height="1e30"'));
  drawing("no-size", svg('<rect width="9" height="9"/>', 'width="0" height="-4" viewBox="0 0 0 0"'));
  drawing("nan", svg('<rect width="9" height="9"/>', 'viewBox="a b c d"'));
  drawing("torn", '<svg xmlns="http://www.w3.org/2000/svg"><rect');
  drawing("not-svg", "<html><body>hello</body></html>");
  drawing("empty", "");
  // Each of another colour: the same drawing is never kept twice.
  const plain = (fill: string) =>
    Buffer.from(
      `<?xml version="1.0" encoding="UTF-16"?>${svg(`<circle cx="50" cy="50" r="40" fill="${fill}"/>`)}`,
      "utf16le",
    );
  put("papers", "utf16-le.svg", Buffer.concat([Buffer.from([0xff, 0xfe]), plain("#b7472a")]));
  put("papers", "utf16-be.svg", Buffer.concat([Buffer.from([0xfe, 0xff]), plain("#17757e").swap16()]));
  put("papers", "utf16-no-mark.svg", plain("#7f9c56"));
}
