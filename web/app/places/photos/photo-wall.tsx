import { Box, Flex, Heading, HStack, Text } from "@chakra-ui/react";
import { useVirtualizer } from "@tanstack/react-virtual";
import { type KeyboardEvent, useMemo, useRef, useState } from "react";
import { photos as words } from "../../../text/photos.ts";
import { useKit } from "../../kit.ts";
import { takenDay } from "../../parts/dates.ts";
import { PhotoTile } from "../../parts/photo-tile.tsx";
import { useSizeOf } from "../../parts/size-of.ts";
import { choose, chooseAll, nothingChosen } from "../../state/choose.ts";
import { useDesk, useLibrary } from "../../state/hooks.ts";
import { usePlaced } from "../../state/placed.ts";
import { neighbour, wallRows } from "./rows.ts";

const aimPx = 150;
const gapPx = 8;

/** All photos in rows, day by day; only what is on screen is in the document. */
export function PhotoWall() {
  const { desk } = useKit();
  const photos = useLibrary((s) => s.photos);
  const waiting = useLibrary((s) => s.incoming?.waiting);
  const choice = useDesk((s) => s.photos);
  const placed = usePlaced();
  const [sizeRef, size] = useSizeOf();
  const scroller = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<string>();
  const rows = useMemo(() => (size ? wallRows(photos, size.w, aimPx, gapPx) : []), [photos, size]);
  const ids = useMemo(() => photos.map((p) => p.id), [photos]);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => rows[i]!.h + gapPx,
    overscan: 4,
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: new rows have new heights, and the estimates go with them
  useMemo(() => virtual.measure(), [rows, virtual]);
  const stop = at ?? ids[0];

  const go = (id: string | undefined, shift: boolean) => {
    if (id === undefined) return;
    setAt(id);
    if (shift)
      desk.setState((s) => ({
        photos: choose(s.photos.anchor ? s.photos : { ...s.photos, anchor: stop }, ids, id, {
          shift: true,
          ctrl: false,
        }),
      }));
    virtual.scrollToIndex(rows.findIndex((r) => r.kind === "photos" && r.placed.some((p) => p.photo.id === id)));
    requestAnimationFrame(() => scroller.current?.querySelector<HTMLElement>(`[data-photo="${id}"]`)?.focus());
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key.startsWith("Arrow") && stop) go(neighbour(rows, stop, e.key as "ArrowLeft"), e.shiftKey);
    else if (e.key === " " && stop)
      desk.setState((s) => ({ photos: choose(s.photos, ids, stop, { shift: e.shiftKey, ctrl: true }) }));
    else if (e.key === "a" && (e.ctrlKey || e.metaKey)) desk.setState({ photos: chooseAll(ids) });
    else if (e.key === "Escape") desk.setState({ photos: nothingChosen });
    else if (e.key === "Home") go(ids[0], e.shiftKey);
    else if (e.key === "End") go(ids.at(-1), e.shiftKey);
    else return;
    e.preventDefault();
  };

  return (
    <Box ref={scroller} h="full" overflowY="auto" px="8" pb="8">
      <Box
        ref={sizeRef}
        role="listbox"
        aria-multiselectable
        aria-label={words.title}
        onKeyDown={onKeyDown}
        position="relative"
        style={{ height: virtual.getTotalSize() }}
      >
        {virtual.getVirtualItems().map((item) => {
          const row = rows[item.index];
          if (!row) return null;
          return (
            <Box
              key={item.key}
              role="presentation"
              position="absolute"
              top="0"
              left="0"
              right="0"
              style={{ transform: `translateY(${item.start}px)` }}
            >
              {row.kind === "day" ? (
                <HStack role="presentation" h={`${row.h}px`} align="end" pb="1.5" gap="3">
                  <Heading as="h2" fontSize="17px" fontWeight="560">
                    {takenDay(row.day)}
                  </Heading>
                  <Text fontSize="13.5px" color="fg.subtle">
                    {words.count(row.count)}
                  </Text>
                </HStack>
              ) : (
                <Flex gap={`${gapPx}px`} role="presentation">
                  {row.placed.map(({ photo, w }) => (
                    <PhotoTile
                      key={photo.id}
                      photo={photo}
                      chosen={choice.ids.has(photo.id)}
                      stop={photo.id === stop}
                      onPages={placed.get(photo.id) ?? []}
                      style={{ width: w, height: row.h }}
                      onFocus={() => setAt(photo.id)}
                      onClick={(e) =>
                        desk.setState({
                          photos: choose(choice, ids, photo.id, { shift: e.shiftKey, ctrl: e.ctrlKey || e.metaKey }),
                        })
                      }
                    />
                  ))}
                </Flex>
              )}
            </Box>
          );
        })}
      </Box>
      {waiting && waiting.length > 0 && <Waiting names={waiting} />}
    </Box>
  );
}

/** Files that were let go a moment ago, by name, until their picture is there. */
function Waiting({ names }: { readonly names: readonly string[] }) {
  return (
    <Box mt="4">
      <Heading as="h2" fontSize="17px" fontWeight="560" mb="2">
        {words.waitingFor}
      </Heading>
      <Flex gap={`${gapPx}px`} wrap="wrap">
        {names.map((name, i) => (
          <Box
            // biome-ignore lint/suspicious/noArrayIndexKey: two files may have one name
            key={i}
            w="150px"
            h="100px"
            borderRadius="thumb"
            bg="oat.200"
            borderWidth="1px"
            borderColor="oat.300"
            p="2"
            fontSize="12.5px"
            color="fg.subtle"
            overflow="hidden"
            wordBreak="break-all"
          >
            {name}
          </Box>
        ))}
      </Flex>
    </Box>
  );
}
