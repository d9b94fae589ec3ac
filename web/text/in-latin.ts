import anyAscii from "any-ascii";
import { plainName } from "#core/lab";

/** Words of any script in the letters that every file system takes: "Лето" becomes "Leto". */
export const inLatin = (text: string): string => anyAscii(text.replaceAll("×", "x"));

/** A file's name, without its ending, for something with this title. */
export const fileTitle = (title: string): string => plainName(inLatin(title));
