import { joined } from "../joined.ts";
import { headerSegments, marker } from "../jpeg/segments.ts";
import { viewOf } from "../view-of.ts";

const iccName = "ICC_PROFILE\0";

/** The colour profile inside a JPEG (ICC.1 Annex B.4: APP2 in parts); undefined where it has none. Throws a BrokenJpeg. */
export function jpegProfile(bytes: Uint8Array): Uint8Array | undefined {
  const parts: { readonly number: number; readonly bytes: Uint8Array }[] = [];
  for (const s of headerSegments(bytes)) {
    const from = s.start + 4;
    if (s.marker !== marker.app2 || s.end < from + iccName.length + 2) continue;
    const name = String.fromCharCode(...bytes.subarray(from, from + iccName.length));
    const number = bytes[from + iccName.length]!;
    if (name === iccName) parts.push({ number, bytes: bytes.subarray(from + iccName.length + 2, s.end) });
  }
  if (parts.length === 0) return undefined;
  parts.sort((a, b) => a.number - b.number);
  return joined(parts.map((p) => p.bytes));
}

/** The colours that a profile is for, as it signs them: "RGB ", "GRAY", "CMYK" (ICC.1, 7.2.6). */
export const profileSpace = (profile: Uint8Array): string => String.fromCharCode(...profile.subarray(16, 20));

/** The tags of a profile as far as they lie inside of it (ICC.1, 7.3), by signature. */
export function profileTags(profile: Uint8Array): ReadonlyMap<string, Uint8Array> {
  const found = new Map<string, Uint8Array>();
  if (profile.length < 132) return found;
  const view = viewOf(profile);
  const count = Math.min(mostTags, view.getUint32(128));
  for (let i = 0; i < count && 144 + 12 * i <= profile.length; i += 1) {
    const entry = 132 + 12 * i;
    const [at, size] = [view.getUint32(entry + 4), view.getUint32(entry + 8)];
    if (at + size <= profile.length)
      found.set(String.fromCharCode(...profile.subarray(entry, entry + 4)), profile.subarray(at, at + size));
  }
  return found;
}

const primaryTags = ["rXYZ", "gXYZ", "bXYZ"] as const;

/** What full red, green and blue are in XYZ of D50 (ICC.1, 10.31); those that the profile says nothing of are missing. */
export function primariesOf(profile: Uint8Array): ReadonlyMap<string, readonly number[]> {
  const tags = profileTags(profile);
  return new Map(
    primaryTags.flatMap((name) => {
      const tag = tags.get(name);
      if (!tag || tag.length < 20) return [];
      return [[name, [8, 12, 16].map((o) => viewOf(tag).getInt32(o) / 65_536)] as const];
    }),
  );
}

/** IEC 61966-2-1 in D50, as profiles write it; makers round differently. */
const srgb = { rXYZ: [0.436, 0.2225, 0.0139], gXYZ: [0.3851, 0.7169, 0.0971], bXYZ: [0.1431, 0.0606, 0.7141] } as const;
const mostApart = 0.004;
const mostTags = 200;

/** Whether a display profile's primaries are those of sRGB; a profile that says nothing of the kind is taken for another. */
export function isSrgb(profile: Uint8Array): boolean {
  if (profile.length < 132) return false;
  if (profileSpace(profile) === "GRAY") return true;
  const found = primariesOf(profile);
  return Object.entries(srgb).every(([name, is]) => {
    const has = found.get(name);
    return has?.every((v, i) => Math.abs(v - is[i]!) <= mostApart) ?? false;
  });
}
