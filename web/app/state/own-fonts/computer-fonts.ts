/** What a browser tells of one installed font (WICG, Local Font Access). */
interface FontData {
  readonly family: string;
  readonly fullName: string;
  readonly style: string;
  blob(): Promise<Blob>;
}

type FontQuery = Window & { queryLocalFonts?: () => Promise<readonly FontData[]> };

export interface FoundFont {
  readonly name: string;
  /** Of its upright and slanted, plain and bold faces. */
  readonly files: () => Promise<readonly File[]>;
}

export const canListFonts = (): boolean => "queryLocalFonts" in window;

const plainStyles = /^(regular|book|roman|normal|medium|bold|italic|oblique|bold italic|bold oblique)$/i;

/** The fonts of this computer by name; undefined where the browser does not hand them over. */
export async function fontsOfComputer(): Promise<readonly FoundFont[] | undefined> {
  const all = await (window as FontQuery).queryLocalFonts?.().catch(() => undefined);
  if (!all || all.length === 0) return undefined;
  const byFamily = new Map<string, FontData[]>();
  for (const font of all) byFamily.set(font.family, [...(byFamily.get(font.family) ?? []), font]);
  return [...byFamily].map(([name, faces]) => {
    const plain = faces.filter((f) => plainStyles.test(f.style));
    const wanted = plain.length > 0 ? plain : faces.slice(0, 1);
    return {
      name,
      files: () => Promise.all(wanted.map(async (f) => new File([await f.blob()], f.fullName, { type: "font/sfnt" }))),
    };
  });
}
