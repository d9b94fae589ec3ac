import { readFileSync } from "node:fs";
import { type Bend, bytesOf, type Put } from "./shape.ts";

/** JSON that nearly is what it says. */
export function texts(put: Put): void {
  const template = { kind: "tessip-templates", version: 1, templates: [] as unknown[] };
  const bent: Record<string, unknown> = {
    none: template,
    "not-ours": { kind: "other" },
    nulls: { ...template, templates: [null, null] },
    "no-tree": { ...template, templates: [{ id: "a", name: "b" }] },
    "long-name": { ...template, templates: [{ id: "a", name: "n".repeat(100_000), tree: {} }] },
    many: { ...template, templates: Array.from({ length: 9000 }, () => ({ id: "a" })) },
    "deep-tree": { ...template, templates: [{ id: "a", name: "b", tree: nested(2000) }] },
    number: 7,
  };
  for (const [name, value] of Object.entries(bent)) put("templates", `${name}.json`, JSON.stringify(value));
  put("templates", "torn.json", '{"kind":"tessip-templates","version":1,');
  put("templates", "proto.json", '{"kind":"tessip-templates","version":1,"templates":[{"__proto__":{"ran":1}}]}');
  put("templates", "large.json", `{"kind":"tessip-templates","x":"${"x".repeat(9_000_000)}"}`);
  const card = JSON.parse(readFileSync("demo/labs/fernhill-prints.json", "utf8"));
  const cards: Record<string, unknown> = {
    "no-sizes": { ...card, sizes: [] },
    negative: { ...card, bleedMm: -4 },
    huge: { ...card, sizes: [{ ...card.sizes[0], widthMm: 1e9 }] },
    "many-sizes": { ...card, sizes: Array.from({ length: 20_000 }, () => card.sizes[0]) },
    "climbing-name": { ...card, file: { ...card.file, name: "../../{page}" } },
    script: { ...card, name: "<script>document.title='ran'</script>" },
    "odd-ppi": { ...card, ppi: { wanted: 0, least: -1 } },
    proto: { ...card, id: "__proto__" },
    array: [card],
    "nan-price": { ...card, sizes: [{ ...card.sizes[0], price: "NaN" }] },
  };
  for (const [name, value] of Object.entries(cards)) put("lab", `${name}.json`, JSON.stringify(value));
  put("lab", "torn.json", "{");
  put("lab", "large.json", JSON.stringify({ ...card, about: "a".repeat(4_000_000) }));
  put("paste", "script.txt", "<script>document.title='ran'</script>");
  put("paste", "handler.txt", "<img src=x onerror=document.title='ran'>");
  put("paste", "controls.txt", "a\u0000b\u0007c\u202ed\ufeffe\u2028f");
  put("paste", "long.txt", "word ".repeat(40_000));
  put("paste", "zalgo.txt", `a${"\u0301".repeat(3000)}`);
}

function nested(depth: number): unknown {
  let tree: unknown = { kind: "place" };
  for (let i = 0; i < depth; i += 1) tree = { kind: "cut", parts: [tree] };
  return tree;
}

export function documents(put: Put, { flipped, cut }: Bend): void {
  const pdf = (objects: readonly string[]) => {
    let text = "%PDF-1.7\n";
    const at: number[] = [];
    for (const [i, o] of objects.entries()) {
      at.push(text.length);
      text += `${i + 1} 0 obj\n${o}\nendobj\n`;
    }
    const table = `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${at.map((n) => `${String(n).padStart(10, "0")} 00000 n \n`).join("")}`;
    return bytesOf(
      `${text}${table}trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${text.length}\n%%EOF\n`,
    );
  };
  const page = "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 200 200] >>";
  const good = pdf(["<< /Type /Catalog /Pages 2 0 R >>", "<< /Type /Pages /Kids [3 0 R] /Count 1 >>", page]);
  for (let i = 0; i < 4; i += 1) put("finished", `flipped-${i}.pdf`, flipped(good, 4 + i * 6, 9));
  for (let i = 0; i < 3; i += 1) put("finished", `cut-${i}.pdf`, cut(good));
  put(
    "finished",
    "loops.pdf",
    pdf(["<< /Type /Catalog /Pages 2 0 R >>", "<< /Type /Pages /Kids [2 0 R] /Count 1000000 >>"]),
  );
  put(
    "finished",
    "runs.pdf",
    pdf([
      "<< /Type /Catalog /Pages 2 0 R /OpenAction << /S /JavaScript /JS (app.alert\\(1\\)) >> >>",
      "<< /Type /Pages /Kids [3 0 R] /Count 1 >>",
      page,
    ]),
  );
  put(
    "finished",
    "huge.pdf",
    pdf([
      "<< /Type /Catalog /Pages 2 0 R >>",
      "<< /Type /Pages /Kids [3 0 R] /Count 1 >>",
      "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 1e9 1e9] >>",
    ]),
  );
  put("finished", "no-pages.pdf", pdf(["<< /Type /Catalog >>"]));
  put("finished", "words.pdf", "%PDF-1.7 and nothing else");
}
