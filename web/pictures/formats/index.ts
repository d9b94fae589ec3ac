import type { PictureFormat } from "../../workers/picture-formats.ts";
import type { PictureWriter } from "./format.ts";
import { jpeg } from "./jpeg.ts";
import { png } from "./png.ts";
import { tiff } from "./tiff.ts";
import { webp } from "./webp.ts";

export const pictureWriters: { readonly [K in PictureFormat]: PictureWriter } = { jpeg, png, tiff, webp };
