export { heifExif } from "./heif.ts";
export { srgbProfile } from "./icc/srgb-profile.ts";
export { dressJpeg, type JpegFacts, readJpegFacts } from "./jpeg/dress.ts";
export { type ExifThumbnail, exifThumbnail } from "./jpeg/exif-thumbnail.ts";
export { BrokenJpeg, hasEnd, type JpegTrouble } from "./jpeg/segments.ts";
export { type PictureSize, pictureSize } from "./picture-size.ts";
export { attributeLooksOutside, styleLooksOutside } from "./svg-references.ts";
export { webpExif } from "./webp.ts";
export { BrokenZip, listZip, packedStart, type ReadRange, type ZipEntry, type ZipTrouble } from "./zip-list.ts";
