import { Box, ColorPicker, chakra, HStack, Portal, parseColor, Text } from "@chakra-ui/react";
import { Pipette } from "lucide-react";
import { type Colour, luminance, parseColour } from "#core/colour";
import { panel as words } from "../../../../text/pages.ts";
import { Tip } from "../../../parts/tip.tsx";

const ready: readonly Colour[] = ["#ffffff", "#f6f1e7", "#d9d2c4", "#22302b", "#1b1b1b", "#b2472a"];

interface ColourRowProps {
  readonly label: string;
  readonly colour: Colour;
  readonly onMove: (colour: Colour) => void;
  readonly onEnd: (colour: Colour) => void;
}

/** A few colours that suit photos, and any other. */
export function ColourRow({ label, colour, onMove, onEnd }: ColourRowProps) {
  return (
    <Box role="group" aria-label={label} mb="3">
      <Text fontSize="14px" fontWeight="500" color="fg.muted" mb="1.5">
        {label}
      </Text>
      <HStack gap="1.5">
        {ready.map((c) => (
          <Tip key={c} words={words.colourNames[c]}>
            <chakra.button
              type="button"
              aria-label={`${label}: ${words.colourNames[c]}`}
              aria-pressed={c === colour}
              onClick={() => onEnd(c)}
              w="30px"
              h="30px"
              borderRadius="full"
              border="1px solid"
              borderColor="oat.400"
              boxShadow={c === colour ? "0 0 0 2px {colors.oat.25}, 0 0 0 4px {colors.glaze.500}" : undefined}
              style={{ background: c }}
            />
          </Tip>
        ))}
        <OtherColour label={label} colour={colour} onMove={onMove} onEnd={onEnd} />
      </HStack>
    </Box>
  );
}

function OtherColour({ label, colour, onMove, onEnd }: ColourRowProps) {
  return (
    <ColorPicker.Root
      value={parseColor(colour)}
      onValueChange={(e) => onMove(parseColour(e.value.toString("hex")) ?? colour)}
      onValueChangeEnd={(e) => onEnd(parseColour(e.value.toString("hex")) ?? colour)}
      w="auto"
    >
      <ColorPicker.HiddenInput />
      <ColorPicker.Control>
        <ColorPicker.Trigger
          aria-label={`${label}: ${words.ownColour}`}
          w="30px"
          h="30px"
          minW="30px"
          minH="30px"
          p="0"
          borderRadius="full"
          border="1px solid"
          borderColor="oat.400"
          bg="oat.25"
          display="grid"
          placeItems="center"
          boxShadow={ready.includes(colour) ? undefined : "0 0 0 2px {colors.oat.25}, 0 0 0 4px {colors.glaze.500}"}
          {...(ready.includes(colour) ? {} : { style: { background: colour } })}
        >
          <Pipette
            size={15}
            aria-hidden
            color={luminance(colour) > 0.4 || ready.includes(colour) ? "#38443e" : "#fdfbf7"}
          />
        </ColorPicker.Trigger>
      </ColorPicker.Control>
      <Portal>
        <ColorPicker.Positioner>
          <ColorPicker.Content bg="oat.25" borderRadius="card" boxShadow="lifted">
            <ColorPicker.Area />
            <ColorPicker.ChannelSlider channel="hue" />
            <ColorPicker.Input aria-label={`${label}: ${words.ownColour}`} bg="oat.25" borderColor="oat.400" />
          </ColorPicker.Content>
        </ColorPicker.Positioner>
      </Portal>
    </ColorPicker.Root>
  );
}
