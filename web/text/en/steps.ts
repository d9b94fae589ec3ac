import type { StepName } from "#core/document";

/** What undo would take back, as it is said after "Undo:". */
export function stepWords({ code, count }: StepName): string {
  const photos = count === 1 ? "a photo" : `${count} photos`;
  const tiles = count === 1 ? "a tile" : `${count} tiles`;
  switch (code) {
    case "arranged":
      return `Arranged ${photos}`;
    case "changedGap":
      return "Changed the gap";
    case "changedMargin":
      return "Changed the margin";
    case "changedRing":
      return `Changed the border around ${count === 1 ? "a tile" : `${count} tiles`}`;
    case "changedWhiteBorder":
      return "Changed the border around the page";
    case "changedFade":
      return count === 1 ? "Faded a photo" : `Faded ${count} photos`;
    case "changedTone":
      return count === 1 ? "Changed the tone of a photo" : `Changed the tone of ${count} photos`;
    case "changedShadow":
      return "Changed the shadow";
    case "changedLight":
      return "Changed where the light comes from";
    case "changedSoft":
      return "Changed the soft edges";
    case "dressedAsPage":
      return "Edges and shadow as the page has them";
    case "gaveLook":
      return count === 1 ? "Gave a tile the look of another" : `Gave ${count} tiles the look of another`;
    case "keptTone":
      return "Kept a tone";
    case "droppedTone":
      return "Removed a tone";
    case "changedOpacity":
      return "Changed how see-through a tile is";
    case "changedOutline":
      return "Changed the outline";
    case "changedCorner":
      return "Changed the corners";
    case "changedBorder":
      return "Changed the border";
    case "changedBleed":
      return "Changed the bleed";
    case "changedColour":
      return "Changed the page colour";
    case "filledTiles":
      return `Filled ${tiles}`;
    case "swappedPhotos":
      return "Swapped two photos";
    case "emptiedTiles":
      return `Emptied ${tiles}`;
    case "movedSeam":
      return "Moved a line between photos";
    case "reframed":
      return "Reframed a photo";
    case "resetFraming":
      return "Went back to the first crop";
    case "renamed":
      return "Renamed this project";
    case "changedLanguage":
      return "Changed the language of dates";
    case "changedUnit":
      return "Changed the unit";
    case "letFree":
      return `Let ${tiles} lie freely`;
    case "madeExact":
      return `Arranged ${tiles} exactly`;
    case "mirroredTiles":
      return `Mirrored ${tiles}`;
    case "combinedShapes":
      return "Made one shape of several";
    case "grewShape":
      return "Grew or shrank a shape";
    case "tookDrawing":
      return `Took ${count === 1 ? "a shape" : `${count} shapes`} from a drawing`;
    case "tookPages":
      return `Took ${count === 1 ? "a page" : `${count} pages`} from a drawing`;
    case "tookLayers":
      return `Took ${count === 1 ? "a layer" : `${count} layers`} from a picture`;
    case "tiedTiles":
      return `Tied ${tiles} together`;
    case "untiedTiles":
      return `Untied ${tiles}`;
    case "laidGuide":
      return "Laid a guide";
    case "movedGuide":
      return "Moved a guide";
    case "removedGuide":
      return "Removed a guide";
    case "madeWord":
      return "Made a word of tiles";
    case "putLetters":
      return `Put ${count === 1 ? "a letter" : `${count} letters`} into tiles`;
    case "ranThrough":
      return `Ran one photo through ${tiles}`;
    case "gaveBack":
      return `Gave ${tiles} back to the photo`;
    case "tookApart":
      return "Took a photo apart into its tiles";
    case "scattered":
      return `Scattered ${count === 1 ? "a photo" : `${count} photos`}`;
    case "tiledGroup":
      return "Arranged in a pattern";
    case "arrangedAnew":
      return "Arranged it another way";
    case "ledBy":
      return "Made a photo the biggest";
    case "shuffled":
      return "Shuffled the arrangement";
    case "slippedIn":
      return `Slipped in ${photos}`;
    case "tookAway":
      return `Removed ${tiles}`;
    case "halvedTile":
      return "Split a tile";
    case "resetArrangement":
      return "Went back to the first arrangement";
    case "mirroredPage":
      return "Mirrored the page";
    case "keptTogether":
      return "Changed which photos stay together";
    case "movedFree":
      return `Moved ${tiles}`;
    case "sizedTiles":
      return `Made ${tiles} larger or smaller`;
    case "turnedTiles":
      return `Turned ${tiles}`;
    case "alignedTiles":
      return `Aligned ${tiles}`;
    case "addedShape":
      return "Put a shape on the page";
    case "copiedTiles":
      return `Made ${count === 1 ? "a copy" : `${count} copies`} of a tile`;
    case "madeEqual":
      return `Made ${tiles} equally large`;
    case "freedSizes":
      return `Let ${tiles} differ in size again`;
    case "changedOrder":
      return "Changed how much the order matters";
    case "hidTile":
      return `Hid ${tiles}`;
    case "showedTile":
      return `Showed ${tiles} again`;
    case "namedTile":
      return "Gave a name";
    case "movedPiece":
      return "Changed what lies in front";
    case "lockedFilling":
      return `Locked or freed what ${count === 1 ? "a tile holds" : `${count} tiles hold`}`;
    case "lockedTiles":
      return `Locked or freed ${tiles}`;
    case "changedHold":
      return `Changed what ${count === 1 ? "a tile holds" : `${count} tiles hold`}`;
    case "tookTemplate":
      return "Laid out by a template";
    case "splitPage":
      return "Split the page in parts";
    case "joinedParts":
      return "Made the page one part again";
    case "pasted":
      return count === 1 ? "Pasted something" : `Pasted ${count} things`;
    case "addedPrints":
      return count === 1 ? "Added a print" : `Added ${count} prints`;
    case "changedPrints":
      return count === 1 ? "Changed a print" : `Changed ${count} prints`;
    case "removedPrints":
      return count === 1 ? "Removed a print" : `Removed ${count} prints`;
    case "addedPages":
      return count === 1 ? "Added a page" : `Added ${count} pages`;
    case "copiedPage":
      return "Made a page like this one";
    case "removedPages":
      return count === 1 ? "Removed a page" : `Removed ${count} pages`;
    case "movedPage":
      return count === 1 ? "Moved a page" : `Moved ${count} pages`;
    case "wrote":
      return "Wrote words";
    case "changedWords":
      return "Changed how words look";
    case "addedContents":
      return "Added a table of contents";
    case "addedWords":
      return "Put words on the page";
    case "addedCaptions":
      return count === 1 ? "Put a caption on" : `Put ${count} captions on`;
    case "movedWords":
      return "Moved words";
    case "laidCard":
      return "Laid a card under words";
    case "fittedWords":
      return "Fitted words and their box";
    case "replacedWords":
      return count === 1 ? "Wrote a word otherwise" : `Wrote words otherwise in ${count} places`;
    case "pastedWords":
      return "Pasted words";
    case "storyRunsOn":
      return "Let a story run on";
    case "storyEnds":
      return "Let a story end";
    case "mirroredWords":
      return "Mirrored words";
    case "changedBackdrop":
      return "Changed the background";
    case "laidPaper":
      return count === 1 ? "Laid a paper" : `Laid a paper in ${count} tiles`;
    case "changedPaper":
      return "Changed a paper";
    case "laidOrnament":
      return count === 1 ? "Laid an ornament" : `Laid ${count} ornaments`;
    case "changedOrnament":
      return count === 1 ? "Changed an ornament" : `Changed ${count} ornaments`;
    case "keptStyle":
      return "Kept a style";
    case "droppedStyle":
      return "Removed a style";
    case "changedFonts":
      return "Changed a font of the work";
    case "tookStyle":
      return "Used the look of another project";
    case "changedPalette":
      return "Changed the palette";
    case "paced":
      return count === 1 ? "Filled a page with photos" : `Filled ${count} pages with photos`;
    case "movedBreak":
      return "Moved a page break";
    case "changedBook":
      return "Changed the book";
    case "changedCover":
      return "Changed the cover";
    case "tookCover":
      return "Removed the cover";
    case "madeCover":
      return "Made the cover";
    case "madeSpread":
      return "Made two pages one spread";
    case "splitSpread":
      return "Made a spread two pages";
    case "dressedPages":
      return count === 1 ? "Used a look on a page" : `Used a look on ${count} pages`;
    case "matchedPages":
      return "Matched two pages";
    case "changedSize":
      return "Changed the size";
    case "markedPage":
      return "Marked a page";
    case "broughtPages":
      return count === 1 ? "Brought in a finished page" : `Brought in ${count} finished pages`;
    case "movedTiles":
      return `Moved ${tiles} to another page`;
    case "combined":
      return "Added pages from another project";
    case "mended":
      return count === 1 ? "Fixed a finding" : `Fixed ${count} findings`;
    case "accepted":
      return count === 1 ? "Left a finding as it is" : `Left ${count} findings as they are`;
    case "packedSheets":
      return "Packed the print sheets";
    case "changedSheets":
      return "Changed the print sheets";
    case "wentBack":
      return "Went back to a snapshot";
  }
}
