import { Box } from "@chakra-ui/react";
import { type PageFormat, safeBox, trimBox } from "#core/lab";
import { type PageView, placeOf } from "./page-view.ts";

/** What the lab cuts away, veiled, with the line of the cut; and, dotted, what no cut ever touches. */
export function CutLines({ view, format }: { readonly view: PageView; readonly format: PageFormat }) {
  const bleedPx = format.bleedMm * view.scale;
  return (
    <Box position="absolute" inset="0" pointerEvents="none" overflow="hidden">
      {format.bleedMm > 0 && (
        <Box
          position="absolute"
          inset="0"
          borderStyle="solid"
          borderColor="rgba(233, 226, 213, .74)"
          borderWidth={`${bleedPx}px`}
        />
      )}
      {format.bleedMm > 0 && (
        <Box position="absolute" outline="1px solid rgba(27,37,33,.4)" style={placeOf(view, trimBox(format))} />
      )}
      {format.safeMm > 0 && (
        <Box
          position="absolute"
          border="1px dashed"
          borderColor="rgba(23,117,126,.75)"
          style={placeOf(view, safeBox(format))}
        />
      )}
    </Box>
  );
}
