import { Box, Grid, HStack, Text } from "@chakra-ui/react";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useMemo, useRef, useState } from "react";
import { findEvents, type Photo } from "#core/photo";
import { writing as say } from "../../../text/index.ts";
import { Checkbox } from "../../components/checkbox.tsx";
import { Segmented } from "../../components/segmented.tsx";
import { useServices } from "../../services.ts";
import { useLibrary } from "../../state/session/hooks.ts";
import { usePlacedLater } from "../../state/session/placed-photos.ts";
import { CaptionRow, EventRow } from "./caption-row.tsx";
import { LargePhoto } from "./large-photo.tsx";
import { PutCaptions } from "./put-captions.tsx";

type Whose = "project" | "all";

const [photoPx, eventPx] = [92, 44];

type Row = { readonly event: string } | { readonly photo: Photo; readonly others: readonly string[] };

/** Photos in the order of time, those of an event together, each with its caption to be written one after the other. */
export function Captions() {
  const { library } = useServices();
  const placed = usePlacedLater();
  const photos = useLibrary((s) => s.photos);
  const spans = useLibrary((s) => s.spans);
  const [whose, setWhose] = useState<Whose>("project");
  const [onlyBare, setOnlyBare] = useState(false);
  const [at, setAt] = useState<string>();
  // Those that had none when the list was narrowed stay in it while they are written.
  const [bare, setBare] = useState<ReadonlySet<string>>(new Set());
  const scroll = useRef<HTMLDivElement>(null);
  const these = useMemo(
    () =>
      photos.filter(
        (p) => p.section === "photos" && (whose === "all" || placed.has(p.id)) && (!onlyBare || bare.has(p.id)),
      ),
    [photos, whose, placed, onlyBare, bare],
  );
  const rows = useMemo(() => rowsOf(these, spans), [these, spans]);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: (i) => ("event" in rows[i]! ? eventPx : photoPx),
    overscan: 6,
  });
  const order = useMemo(() => rows.flatMap((r, i) => ("photo" in r ? [[r.photo.id, i] as const] : [])), [rows]);
  const current = these.find((p) => p.id === at) ?? these[0];
  const go = (from: string, by: -1 | 1) => {
    const now = order.findIndex(([id]) => id === from);
    const next = order[now + by];
    if (!next) return;
    virtual.scrollToIndex(next[1], { align: "auto" });
    setAt(next[0]);
  };
  const narrow = (on: boolean) => {
    setBare(new Set(photos.filter((p) => p.caption.trim() === "").map((p) => p.id)));
    setOnlyBare(on);
  };
  const keep = (ids: readonly string[], caption: string) =>
    void library.edit("captioned", ids, (p) => (p.caption === caption ? p : { ...p, caption }));
  const written = these.filter((p) => p.caption.trim() !== "").length;
  return (
    <Grid h="full" templateColumns="minmax(0, 1fr) 400px" minH="0">
      <Box display="flex" flexDirection="column" minH="0">
        <HStack px="8" pb="3" gap="5" flexWrap="wrap">
          <Segmented<Whose>
            label={say.whose}
            value={whose}
            options={(["project", "all"] as const).map((w) => [w, say.whoseWords[w]])}
            onChoose={setWhose}
          />
          <Checkbox label={say.onlyBare} on={onlyBare} onToggle={narrow} />
          <Text color="fg.muted" fontSize="14px" role="status">
            {say.captioned(written, these.length)}
          </Text>
        </HStack>
        {these.length === 0 ? (
          <Text px="8" py="6" color="fg.muted">
            {onlyBare ? say.noneBare : say.noPhotos}
          </Text>
        ) : (
          <Box ref={scroll} flex="1" minH="0" overflowY="auto" px="8" data-testid="captions">
            <div style={{ height: virtual.getTotalSize(), position: "relative" }}>
              {virtual.getVirtualItems().map(({ index, key, start }) => {
                const row = rows[index]!;
                return (
                  <div key={key} style={{ position: "absolute", top: start, left: 0, right: 0 }}>
                    {"event" in row ? (
                      <EventRow name={row.event} height={eventPx} />
                    ) : (
                      <CaptionRow
                        photo={row.photo}
                        height={photoPx}
                        pages={placed.get(row.photo.id) ?? []}
                        others={row.others}
                        current={row.photo.id === at}
                        onCurrent={() => setAt(row.photo.id)}
                        onGo={(by) => go(row.photo.id, by)}
                        onKeep={keep}
                      />
                    )}
                  </div>
                );
              })}
            </div>
          </Box>
        )}
      </Box>
      <Box borderLeftWidth="1px" borderColor="oat.300" bg="bg.panel" overflowY="auto" px="6" py="4">
        {current && <LargePhoto photo={current} />}
        <PutCaptions />
      </Box>
    </Grid>
  );
}

function rowsOf(photos: readonly Photo[], spans: Parameters<typeof findEvents>[1]): readonly Row[] {
  const byTime = [...photos].sort((a, b) => (a.takenAt < b.takenAt ? -1 : a.takenAt > b.takenAt ? 1 : 0));
  const byId = new Map(photos.map((p) => [p.id, p]));
  return findEvents(byTime, spans).flatMap((event): Row[] => {
    const inEvent = event.photoIds.map((id) => byId.get(id)!);
    const bare = inEvent.filter((p) => p.caption.trim() === "").map((p) => p.id);
    return [
      { event: eventName(event) },
      ...inEvent.map((photo) => ({ photo, others: bare.filter((id) => id !== photo.id) })),
    ];
  });
}

const eventName = ({ span, from, to }: ReturnType<typeof findEvents>[number]): string =>
  say.event(span?.name ?? "", from, to);
