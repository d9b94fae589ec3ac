import { Box, chakra } from "@chakra-ui/react";
import { useMemo } from "react";
import type { Photo } from "#core/photo";
import { formats, timelineWords as words } from "../../../../text/index.ts";
import { binPhotos, spanOf, type TimeBin } from "../../../state/library/time-bins.ts";

interface ShelfTimeProps {
  readonly photos: readonly Photo[];
  readonly isPlaced: (id: string) => boolean;
  readonly onGo: (photoId: string) => void;
}

const heightPx = 22;

/** A bar stands for a day, or for the week or the month that begins there. */
function whenOf({ from, step }: TimeBin): string {
  const at = from.toISOString();
  return step === "month"
    ? formats.takenMonth(at)
    : step === "week"
      ? words.week(formats.takenDay(at))
      : formats.takenDay(at);
}

/** The shelf's own timeline: a bar a day, week or month, what is on pages in it, and a click to go there. */
export function ShelfTime({ photos, isPlaced, onGo }: ShelfTimeProps) {
  const domain = useMemo(() => spanOf(photos), [photos]);
  const bins = useMemo(() => (domain ? binPhotos(photos, domain, isPlaced) : []), [photos, domain, isPlaced]);
  if (!domain || bins.length < 2) return null;
  const most = Math.max(...bins.map((b) => b.count));
  const length = domain[1].getTime() - domain[0].getTime();
  const share = (at: Date) => Math.min(1, Math.max(0, (at.getTime() - domain[0].getTime()) / length));
  return (
    <Box
      role="group"
      aria-label={words.label}
      position="relative"
      h={`${heightPx}px`}
      mx="4"
      mb="1"
      borderBottomWidth="1px"
      borderColor="oat.300"
      data-testid="shelf-time"
    >
      {bins.map((b) => {
        const label = words.bar(whenOf(b), b.count, b.placed);
        return (
          <chakra.button
            key={b.from.getTime()}
            type="button"
            aria-label={label}
            title={label}
            onClick={() => b.firstId && onGo(b.firstId)}
            position="absolute"
            top="0"
            bottom="0"
            minW="9px"
            style={{ left: `${share(b.from) * 100}%`, width: `${(share(b.to) - share(b.from)) * 100}%` }}
            _hover={{ bg: "oat.200" }}
          >
            <Box
              position="absolute"
              bottom="0"
              left="0"
              right="1px"
              bg="oat.400"
              borderRadius="1px"
              style={{ height: `${(b.count / most) * 100}%` }}
            />
            <Box
              position="absolute"
              bottom="0"
              left="0"
              right="1px"
              bg="glaze.500"
              borderRadius="1px"
              style={{ height: `${(b.placed / most) * 100}%` }}
            />
          </chakra.button>
        );
      })}
    </Box>
  );
}
