export { crc32 } from "./crc32.ts";
export { type FontSource, fontSources, type NamedFont, readFontFacts } from "./font/font-facts.ts";
export { FontError, fontTable, fontTables, writtenFont } from "./font/sfnt.ts";
export { fontMetrics, subsetFont } from "./font/subset.ts";
export { heifExif } from "./heif.ts";
export { colourConversion } from "./icc/convert-colours.ts";
export { isSrgb, jpegProfile, profileSpace } from "./icc/read-profile.ts";
export { gammaProfile, greyProfile, outputProfile, rgbProfile, srgbProfile } from "./icc/rgb-profile.ts";
export { type PrintColour, printColours } from "./icc/spaces.ts";
export { joined } from "./joined.ts";
export { bareJpeg } from "./jpeg/bare.ts";
export {
  freshRows,
  JpegEncoder,
  type JpegOptions,
  jpegEnd,
  jpegHead,
  jpegPart,
  mostJpegSidePx,
} from "./jpeg/encode/jpeg-encoder.ts";
export { type ExifThumbnail, exifThumbnail } from "./jpeg/exif-thumbnail.ts";
export { type JpegFacts, readJpegFacts } from "./jpeg/facts.ts";
export { BrokenJpeg, hasEnd, type JpegTrouble } from "./jpeg/segments.ts";
export { type PdfFontUse, writeFont } from "./pdf/pdf-font.ts";
export { asciiBytes, num, nums, PdfError, PdfWriter, type Ref, refTo, textString } from "./pdf/pdf-writer.ts";
export { type PdfAbout, pdfDate, xmpPacket } from "./pdf/xmp.ts";
export { type PictureSize, pictureSize } from "./picture-size.ts";
export { withoutPlaces } from "./places.ts";
export { isDeepPng, readDeepPng, rgbOfSamples } from "./png/deep-png.ts";
export { PngFilter, type PngOptions, pngChunk, pngEnd, pngHead } from "./png/png-encoder.ts";
export { PngRows } from "./png/png-rows.ts";
export { attributeLooksOutside, styleLooksOutside } from "./svg-references.ts";
export { mostSvgElements, mostSvgSegments, type SvgNode, type SvgWeight, svgWeight } from "./svg-weight.ts";
export { lzwPacked, lzwUnpacked } from "./tiff/lzw.ts";
export { type TiffTrouble, tiffTrouble } from "./tiff/tiff-claims.ts";
export {
  type ChannelBits,
  differenced,
  littleEndian,
  plainStrips,
  rgbOf,
  rowsPerStrip,
  samplesOf,
  summed,
  type TiffOptions,
  type TiffPacking,
  TiffSizeError,
  tiffHead,
  tiffPackings,
} from "./tiff/tiff-encoder.ts";
export { viewOf } from "./view-of.ts";
export { webpExif, webpWith } from "./webp.ts";
export { BrokenZip, listZip, packedStart, type ReadRange, type ZipEntry, type ZipTrouble } from "./zip-list.ts";
export { type StoredEntry, storedZip } from "./zip-write.ts";
