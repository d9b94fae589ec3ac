import { Box, ColorPicker, chakra, HStack, Portal, parseColor, Text } from "@chakra-ui/react";
import { Bookmark, BookmarkX, Crosshair, type LucideIcon, Pipette } from "lucide-react";
import { type ReactNode, useState } from "react";
import { useStore } from "zustand";
import { type Colour, luminance, parseColour } from "#core/colour";
import { words as say, panel as words } from "../../../../text/index.ts";
import { Tooltip } from "../../../components/tooltip.tsx";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { usePhotoColours } from "../../../state/session/photo-colours.ts";
import { recentColours, rememberColour } from "../../../state/view-state/recent-colours.ts";
import { SpotPicker } from "./spot-picker.tsx";

const ready: readonly Colour[] = ["#ffffff", "#f6f1e7", "#d9d2c4", "#22302b", "#1b1b1b", "#b2472a"];

interface ColourRowProps {
  readonly label: string;
  /** Null where none is set. */
  readonly colour: Colour | null;
  readonly onMove: (colour: Colour) => void;
  readonly onEnd: (colour: Colour) => void;
  /** What else may be taken in its place, beside the label. */
  readonly children?: ReactNode;
}

/** A few colours that suit photos, those of this work's palette, and any other. */
export function ColourRow({ label, colour, onMove, onEnd, children }: ColourRowProps) {
  const palette = usePanel((s) => s.project.palette);
  return (
    <Box role="group" aria-label={label} mb="3">
      <HStack justify="space-between" mb="1.5">
        <Text fontSize="14px" fontWeight="500" color="fg.muted">
          {label}
        </Text>
        {children}
      </HStack>
      <HStack gap="1.5" wrap="wrap">
        {ready.map((c) => (
          <Swatch
            key={c}
            colour={c}
            name={words.colourNames[c] ?? c}
            label={label}
            chosen={c === colour}
            onTake={onEnd}
          />
        ))}
        <ColourPick label={label} colour={colour} onMove={onMove} onEnd={onEnd} />
        {palette.map((c) => (
          <Swatch key={c} colour={c} name={c} label={label} chosen={c === colour} onTake={onEnd} />
        ))}
      </HStack>
    </Box>
  );
}

interface SwatchProps {
  readonly colour: Colour;
  readonly name: string;
  readonly label: string;
  readonly chosen: boolean;
  readonly onTake: (colour: Colour) => void;
}

export function Swatch({ colour, name, label, chosen, onTake }: SwatchProps) {
  return (
    <Tooltip words={name}>
      <chakra.button
        type="button"
        aria-label={`${label}: ${name}`}
        aria-pressed={chosen}
        onClick={() => onTake(colour)}
        w="30px"
        h="30px"
        borderRadius="full"
        border="1px solid"
        borderColor="oat.400"
        boxShadow={chosen ? "0 0 0 2px {colors.oat.25}, 0 0 0 4px {colors.glaze.500}" : undefined}
        style={{ background: colour }}
      />
    </Tooltip>
  );
}

interface ColourPickProps extends Omit<ColourRowProps, "children"> {
  /** It shows its colour, whether that is among those that are ready or not. */
  readonly filled?: boolean;
}

/** Any colour, by a picker. */
export function ColourPick({ label, colour, onMove, onEnd: keep, filled = false }: ColourPickProps) {
  const palette = usePanel((s) => s.project.palette);
  const [open, setOpen] = useState(false);
  const [picking, setPicking] = useState(false);
  const known = !filled && (colour === null || ready.includes(colour) || palette.includes(colour));
  const shown = colour ?? "#ffffff";
  const onEnd = (taken: Colour) => {
    keep(taken);
    rememberColour(taken);
  };
  return (
    <ColorPicker.Root
      value={parseColor(shown)}
      open={open}
      onOpenChange={(e) => setOpen(e.open)}
      onValueChange={(e) => onMove(parseColour(e.value.toString("hex")) ?? shown)}
      onValueChangeEnd={(e) => onEnd(parseColour(e.value.toString("hex")) ?? shown)}
      w="auto"
    >
      <ColorPicker.HiddenInput />
      <ColorPicker.Control>
        <ColorPicker.Trigger
          aria-label={filled ? label : `${label}: ${words.ownColour}`}
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
          boxShadow={known || filled ? undefined : "0 0 0 2px {colors.oat.25}, 0 0 0 4px {colors.glaze.500}"}
          {...(known ? {} : { style: { background: shown } })}
        >
          {!filled && <Pipette size={15} aria-hidden color={luminance(shown) > 0.4 || known ? "#38443e" : "#fdfbf7"} />}
        </ColorPicker.Trigger>
      </ColorPicker.Control>
      <Portal>
        <ColorPicker.Positioner>
          <ColorPicker.Content bg="oat.25" borderRadius="card" boxShadow="lifted">
            <ColorPicker.Area />
            <ColorPicker.ChannelSlider channel="hue" />
            <ColorPicker.Input aria-label={`${label}: ${words.ownColour}`} bg="oat.25" borderColor="oat.400" />
            <TextAct
              icon={Crosshair}
              words={say.fromSpot}
              onAct={() => {
                setOpen(false);
                setPicking(true);
              }}
            />
            <Lately label={label} onTake={onEnd} />
            <FromPhotos asked={open} label={label} onTake={onEnd} />
            {colour !== null && <KeepColour colour={colour} />}
          </ColorPicker.Content>
        </ColorPicker.Positioner>
      </Portal>
      {picking && <SpotPicker onTake={onEnd} onClose={() => setPicking(false)} />}
    </ColorPicker.Root>
  );
}

interface OfferedProps {
  readonly label: string;
  readonly onTake: (colour: Colour) => void;
}

/** Colours of one's own that were used lately. */
function Lately(props: OfferedProps) {
  return <Offered {...props} title={say.lately} colours={useStore(recentColours)} nameOf={say.usedLately} />;
}

/** Colours read from the photos on the page. */
function FromPhotos({ asked, ...props }: OfferedProps & { readonly asked: boolean }) {
  return <Offered {...props} title={say.fromPhotos} colours={usePhotoColours(asked)} nameOf={say.fromPhoto} />;
}

interface Offer extends OfferedProps {
  readonly title: string;
  readonly colours: readonly Colour[];
  readonly nameOf: (colour: Colour) => string;
}

function Offered({ title, colours, nameOf, label, onTake }: Offer) {
  if (colours.length === 0) return null;
  return (
    <Box role="group" aria-label={title} mt="2" maxW="220px">
      <Text fontSize="13px" color="fg.muted" mb="1">
        {title}
      </Text>
      <HStack gap="1" wrap="wrap">
        {colours.map((c) => (
          <Swatch key={c} colour={c} name={nameOf(c)} label={label} chosen={false} onTake={onTake} />
        ))}
      </HStack>
    </Box>
  );
}

/** Into the work's palette, or out of it. */
function KeepColour({ colour }: { readonly colour: Colour }) {
  const session = useSession();
  const palette = usePanel((s) => s.project.palette);
  const kept = palette.includes(colour);
  if (ready.includes(colour)) return null;
  const next = kept ? palette.filter((c) => c !== colour) : [...palette, colour].slice(-24);
  return (
    <TextAct
      icon={kept ? BookmarkX : Bookmark}
      words={kept ? say.paletteDrop(colour) : say.paletteKeep(colour)}
      onAct={() => session.commit({ code: "changedPalette", count: 1 }, [{ type: "setProject", palette: next }])}
    />
  );
}

interface TextActProps {
  readonly icon: LucideIcon;
  readonly words: string;
  readonly onAct: () => void;
}

/** A deed as a line of words under the colours. */
const TextAct = ({ icon: Icon, words, onAct }: TextActProps) => (
  <chakra.button
    type="button"
    mt="2"
    fontSize="13.5px"
    display="flex"
    alignItems="center"
    gap="2"
    minH="26px"
    _hover={{ textDecoration: "underline" }}
    onClick={onAct}
  >
    <Icon size={15} aria-hidden /> {words}
  </chakra.button>
);
