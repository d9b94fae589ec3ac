/** What cameras and programs write where a caption belongs. */
const patterns: readonly RegExp[] = [
  // "… DIGITAL CAMERA", "… CAMERA PICTURES", all in capitals.
  /^[^a-z]*\b(DIGITAL (STILL )?CAMERA|CAMERA PICTURES?|CAMCORDER|SCANNER)\b[^a-z]*$/,
  /^<.*>$/,
  /^exif[ _-]?jpe?g([ _-]?(picture|image))?$/i,
  /^(processed|created|made|written|file written|edited|exported|generated|converted|optimi[sz]ed) (with|by|using)\b/i,
  /^(default|untitled)[ _-]?\d*$/i,
  // What mode a phone was in: "dav_soft", "oznor_vivid".
  /^[a-z]{3,6}(_[a-z]{3,7}){1,2}$/,
  /^(cof|sdr|dav|hdrpl|rhdr|oznor)$/,
  // The file's own name.
  /^[A-Z_]{2,4}[-_]?\d{3,8}(\.\w{3,4})?$/,
  /^\d{8}[-_]\d{4,6}(\.\w{3,4})?$/,
];

/**
 * Whether a caption was written by a camera or a program rather than by a person. `camera`: what the file says it was taken with;
 * words that say nothing but that are no caption.
 */
export function writtenByMachine(caption: string, camera: string): boolean {
  const text = caption.trim();
  const words = letters(text);
  if (words === "") return false;
  return (camera !== "" && letters(camera) === words) || patterns.some((p) => p.test(text));
}

const letters = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");
