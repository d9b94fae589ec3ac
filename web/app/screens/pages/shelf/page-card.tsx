import { Box, chakra, Text } from "@chakra-ui/react";
import { useEffect, useRef } from "react";
import type { PlacedPage } from "#core/document";
import { bleedBox } from "#core/lab";
import { PageCanvas } from "../../../components/page-canvas.tsx";
import { useCardSize } from "./shelf-size.ts";

interface PageCardProps {
  readonly page: PlacedPage;
  readonly label: string;
  readonly title: string;
  readonly note: string;
  /** Whether the tab key stops here. */
  readonly stop: boolean;
  readonly onLook: () => void;
  readonly onLeave: () => void;
  readonly onTake: () => void;
}

/** A page as it could be, small: resting on it shows it, a click takes it. */
export function PageCard(props: PageCardProps) {
  const { page, label, title, note, stop, onLook, onLeave, onTake } = props;
  const box = bleedBox(page.format);
  const { longPx, widePx } = useCardSize();
  const scale = longPx / Math.max(box.w, box.h);
  const looking = useRef(false);
  const look = () => {
    if (!looking.current) onLook();
    looking.current = true;
  };
  const leave = () => {
    if (looking.current) onLeave();
    looking.current = false;
  };
  const last = useRef(leave);
  last.current = leave;
  // A card that goes away while it is looked at must not leave its page on screen.
  useEffect(() => () => last.current(), []);
  return (
    <chakra.button
      type="button"
      flexShrink="0"
      style={{ width: widePx }}
      aria-label={label}
      tabIndex={stop ? 0 : -1}
      data-card
      // Not on entering: a card may come to lie under a pointer that rests.
      onPointerMove={look}
      onPointerLeave={leave}
      onFocus={look}
      onBlur={leave}
      onClick={onTake}
      textAlign="center"
      borderRadius="soft"
      px="0.5"
      py="1.5"
      cursor="pointer"
      _hover={{ bg: "oat.200" }}
      _focusVisible={{ outline: "2px solid {colors.glaze.500}" }}
    >
      <Box
        mx="auto"
        boxShadow="card"
        bg="white"
        style={{ width: Math.round(box.w * scale), height: Math.round(box.h * scale) }}
      >
        <PageCanvas page={page} scale={scale} />
      </Box>
      <Text fontSize="12.5px" fontWeight="600" mt="1" lineHeight="1.25" lineClamp={1}>
        {title}
      </Text>
      <Text fontSize="12px" color="fg.subtle" lineHeight="1.3" lineClamp={1}>
        {note}
      </Text>
    </chakra.button>
  );
}
