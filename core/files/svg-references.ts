/** Attributes that can name something to be loaded. */
const loading = new Set(["href", "xlink:href", "src", "srcset", "poster", "data", "from", "to", "values", "by"]);
const inside = /^\s*#/;
const picture = /^\s*data:image\/(png|jpeg|webp|gif);base64,/i;

/** Whether a style sheet or a style attribute would fetch anything, or could hide that it does. */
export function styleLooksOutside(css: string): boolean {
  // An escape can spell any word, and drawings have no need of one.
  if (/\\|@import|expression\s*\(|image-set\s*\(|src\s*\(/i.test(css)) return true;
  for (const [, target = ""] of css.matchAll(/url\s*\(\s*["']?([^"')]*)/gi))
    if (!inside.test(target) && !picture.test(target)) return true;
  return false;
}

/** Whether an attribute of an SVG element refers to anything that is not inside the same file (SVG 2, "Linking"). */
export function attributeLooksOutside(name: string, value: string): boolean {
  const lower = name.toLowerCase();
  if (lower.startsWith("on")) return true;
  if (loading.has(lower)) return value.trim() !== "" && !inside.test(value) && !picture.test(value);
  return styleLooksOutside(value);
}
