/** Words around a name, no longer than `most` code units: of a long name the end is left out, never what stands around it. */
export function within(most: number, name: string, around: (name: string) => string): string {
  const whole = around(name);
  if (whole.length <= most) return whole;
  const room = most - around("…").length;
  // No half of a letter that is written as two.
  return around(`${name.slice(0, Math.max(0, room)).replace(/[\ud800-\udbff]$/, "")}…`);
}
