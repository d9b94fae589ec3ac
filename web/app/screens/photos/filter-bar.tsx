import { Box, Button, HStack, Popover, Portal, Switch, Text, VStack } from "@chakra-ui/react";
import { ListFilter, Search } from "lucide-react";
import { memo, type ReactNode, useMemo } from "react";
import { useStore } from "zustand";
import { findEvents, narrows, noFilter, type PhotoEvent, type PhotoFilter } from "#core/photo";
import { formats, photos as photoWords, filterWords as words } from "../../../text/index.ts";
import { NumberBox } from "../../components/length-field.tsx";
import { Segmented } from "../../components/segmented.tsx";
import { Select } from "../../components/select.tsx";
import { TextField } from "../../components/text-field.tsx";
import { useServices } from "../../services.ts";
import { softBelowPx } from "../../state/checking/soft-below.ts";
import { useLibrary, useMaybeSession } from "../../state/session/hooks.ts";

/** What of the library is shown, and in which order. */
export const FilterBar = memo(function FilterBar() {
  const { viewState } = useServices();
  const filter = useStore(viewState, (s) => s.filter);
  const set = (change: Partial<PhotoFilter>) => viewState.setState({ filter: { ...filter, ...change } });
  return (
    <HStack gap="2">
      <Box position="relative" w="190px">
        <Box
          position="absolute"
          left="2.5"
          top="50%"
          transform="translateY(-50%)"
          color="fg.subtle"
          pointerEvents="none"
        >
          <Search size={16} aria-hidden />
        </Box>
        <NumberBox
          type="search"
          aria-label={words.search}
          placeholder={words.searchShort}
          value={filter.text}
          onChange={(e) => set({ text: e.target.value })}
          pl="8"
          fontSize="14px"
        />
      </Box>
      <Box w="140px">
        <Select<PhotoFilter["order"]>
          label={words.order}
          value={filter.order}
          options={Object.entries(words.orders) as [PhotoFilter["order"], string][]}
          onChoose={(order) => set({ order })}
        />
      </Box>
      <Filters filter={filter} set={set} />
    </HStack>
  );
});

function Filters({
  filter,
  set,
}: {
  readonly filter: PhotoFilter;
  readonly set: (change: Partial<PhotoFilter>) => void;
}) {
  const session = useMaybeSession();
  const on = narrows({ ...filter, text: "" });
  const least = session ? softBelowPx(session.state.getState().project.format) : 0;
  return (
    <Popover.Root lazyMount unmountOnExit positioning={{ placement: "bottom-end" }}>
      <Popover.Trigger asChild>
        <Button
          size="sm"
          variant="outline"
          h="9"
          aria-label={on ? words.filtered : words.filter}
          {...(on ? { bg: "glaze.50", borderColor: "glaze.500", color: "glaze.700" } : {})}
        >
          <ListFilter size={17} aria-hidden /> {words.filter}
        </Button>
      </Popover.Trigger>
      <Portal>
        <Popover.Positioner>
          <Popover.Content w="330px" bg="oat.25" borderRadius="card" boxShadow="lifted">
            <Popover.Body p="5">
              <VStack align="stretch" gap="4">
                {session && (
                  <OneOf
                    label={words.place}
                    value={filter.place}
                    options={words.places}
                    onChoose={(place) => set({ place: place as PhotoFilter["place"] })}
                  />
                )}
                <OneOf
                  label={words.shape}
                  value={filter.shape}
                  options={words.shapes}
                  onChoose={(shape) => set({ shape: shape as PhotoFilter["shape"] })}
                />
                <OneOf
                  label={words.stars}
                  value={String(filter.leastStars)}
                  options={{ "0": words.anyStars, "1": "1", "2": "2", "3": "3", "4": "4", "5": "5" }}
                  onChoose={(n) => set({ leastStars: Number(n) })}
                />
                <ByEvent span={filter.span} onSpan={(span) => set({ span })} />
                <HStack gap="3">
                  <TextField
                    type="date"
                    label={words.from}
                    value={filter.span?.from.slice(0, 10) ?? ""}
                    onChange={({ target: { value: day } }) =>
                      set({
                        span: day
                          ? { from: `${day}T00:00:00`, to: filter.span?.to ?? "9998-12-31T23:59:59" }
                          : undefined,
                      })
                    }
                  />
                  <TextField
                    type="date"
                    label={words.to}
                    value={filter.span?.to.startsWith("9998") ? "" : (filter.span?.to.slice(0, 10) ?? "")}
                    onChange={({ target: { value: day } }) =>
                      set({
                        span: day
                          ? { from: filter.span?.from ?? "1801-01-01T00:00:00", to: `${day}T23:59:59` }
                          : undefined,
                      })
                    }
                  />
                </HStack>
                {session && (
                  <Toggle
                    on={filter.smallerThanPx > 0}
                    onChange={(yes) => set({ smallerThanPx: yes ? least : 0 })}
                    words={words.small}
                    help={words.smallHelp(least)}
                  />
                )}
                <Toggle on={filter.hiddenToo} onChange={(hiddenToo) => set({ hiddenToo })} words={words.hiddenToo} />
                <Button size="sm" variant="outline" onClick={() => set({ ...noFilter, order: filter.order })}>
                  {words.clear}
                </Button>
              </VStack>
            </Popover.Body>
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}

/** One event's time, by its name or its day. */
function ByEvent({
  span,
  onSpan,
}: {
  readonly span: PhotoFilter["span"];
  readonly onSpan: (span: PhotoFilter["span"]) => void;
}) {
  const photos = useLibrary((s) => s.photos);
  const spans = useLibrary((s) => s.spans);
  const events = useMemo(() => findEvents(photos, spans), [photos, spans]);
  // A filter ends in whole seconds.
  const from = (e: PhotoEvent) => e.from.slice(0, 19);
  const at = events.find((e) => from(e) === span?.from && e.to.slice(0, 19) === span.to);
  const nameOf = (e: PhotoEvent) =>
    `${e.span?.name ?? formats.takenDay(e.from)} (${photoWords.count(e.photoIds.length)})`;
  return (
    <Box>
      <Label>{words.event}</Label>
      <Select<string>
        label={words.event}
        value={at?.key ?? ""}
        options={[["", words.anyEvent], ...events.map((event): [string, string] => [event.key, nameOf(event)])]}
        onChoose={(key) => {
          const event = events.find((one) => one.key === key);
          onSpan(event && { from: from(event), to: event.to.slice(0, 19) });
        }}
      />
    </Box>
  );
}

const Label = ({ children }: { readonly children: ReactNode }) => (
  <Text fontSize="14px" fontWeight="500" color="fg.muted" mb="1.5">
    {children}
  </Text>
);

interface OneOfProps {
  readonly label: string;
  readonly value: string;
  readonly options: Readonly<Record<string, string>>;
  readonly onChoose: (value: string) => void;
}

function OneOf({ label, value, options, onChoose }: OneOfProps) {
  return (
    <Box>
      <Label>{label}</Label>
      <Segmented label={label} value={value} options={Object.entries(options)} onChoose={onChoose} />
    </Box>
  );
}

function Toggle({
  on,
  onChange,
  words: text,
  help,
}: {
  readonly on: boolean;
  readonly onChange: (on: boolean) => void;
  readonly words: string;
  readonly help?: string;
}) {
  return (
    <Box>
      <Switch.Root checked={on} onCheckedChange={(e) => onChange(e.checked)}>
        <Switch.HiddenInput />
        <Switch.Control bg="oat.400" _checked={{ bg: "glaze.500" }} />
        <Switch.Label fontWeight="500">{text}</Switch.Label>
      </Switch.Root>
      {help && (
        <Text fontSize="13px" color="fg.subtle" mt="1">
          {help}
        </Text>
      )}
    </Box>
  );
}
