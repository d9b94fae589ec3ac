import "./reader.css";
import "./notes.css";
import { createRoot } from "react-dom/client";
import { type ProofData, proofParts } from "#core/notes";
import { reader as words } from "../text/index.ts";
import { Reader } from "./reader.tsx";

/** What the file says of itself; it was written by this program, so a part that is missing means that the file is damaged. */
function readProof(): ProofData | undefined {
  try {
    const data = JSON.parse(document.getElementById(proofParts.data)?.textContent ?? "") as ProofData;
    const whole =
      data.format === "tessip-proof" && data.leaves.every((_, i) => document.getElementById(proofParts.leaf(i)));
    return whole ? data : undefined;
  } catch {
    return undefined;
  }
}

const root = document.getElementById(proofParts.root)!;
const data = readProof();
if (data) {
  document.documentElement.classList.add("live");
  createRoot(root).render(<Reader data={data} />);
} else root.textContent = words.broken;
