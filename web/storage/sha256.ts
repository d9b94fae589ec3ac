/** In hexadecimal, as photos and project files name bytes. */
export async function sha256(bytes: Uint8Array<ArrayBuffer> | ArrayBuffer): Promise<string> {
  const hash = await crypto.subtle.digest("SHA-256", bytes);
  return [...new Uint8Array(hash)].map((b) => b.toString(16).padStart(2, "0")).join("");
}
