import { Box, Button, HStack, Popover, Portal, Switch, Text, VStack } from "@chakra-ui/react";
import { ListFilter, Search } from "lucide-react";
import { memo, type ReactNode, useMemo } from "react";
import { useStore } from "zustand";
import { findEvents, narrows, openSieve, type PhotoEvent, type Sieve } from "#core/photo";
import { photos as photoWords, sieveWords as words } from "../../../text/photos.ts";
import { takenDay } from "../../components/dates.ts";
import { NumberBox } from "../../components/length-field.tsx";
import { OneOfFew } from "../../components/segmented.tsx";
import { Choose } from "../../components/select.tsx";
import { Labelled } from "../../components/text-field.tsx";
import { useKit } from "../../services.ts";
import { softBelowPx } from "../../state/checking/soft-below.ts";
import { useLibrary, useMaybeSession } from "../../state/session/hooks.ts";

/** What of the library is shown, and in which order. */
export const SieveBar = memo(function SieveBar() {
  const { desk } = useKit();
  const sieve = useStore(desk, (s) => s.sieve);
  const set = (change: Partial<Sieve>) => desk.setState({ sieve: { ...sieve, ...change } });
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
          value={sieve.text}
          onChange={(e) => set({ text: e.target.value })}
          pl="8"
          fontSize="14px"
        />
      </Box>
      <Box w="140px">
        <Choose<Sieve["order"]>
          label={words.order}
          value={sieve.order}
          options={Object.entries(words.orders) as [Sieve["order"], string][]}
          onChoose={(order) => set({ order })}
        />
      </Box>
      <Filters sieve={sieve} set={set} />
    </HStack>
  );
});

function Filters({ sieve, set }: { readonly sieve: Sieve; readonly set: (change: Partial<Sieve>) => void }) {
  const session = useMaybeSession();
  const on = narrows({ ...sieve, text: "" });
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
                    value={sieve.place}
                    options={words.places}
                    onChoose={(place) => set({ place: place as Sieve["place"] })}
                  />
                )}
                <OneOf
                  label={words.shape}
                  value={sieve.shape}
                  options={words.shapes}
                  onChoose={(shape) => set({ shape: shape as Sieve["shape"] })}
                />
                <OneOf
                  label={words.stars}
                  value={String(sieve.leastStars)}
                  options={{ "0": words.anyStars, "1": "1", "2": "2", "3": "3", "4": "4", "5": "5" }}
                  onChoose={(n) => set({ leastStars: Number(n) })}
                />
                <ByEvent span={sieve.span} onSpan={(span) => set({ span })} />
                <HStack gap="3">
                  <Labelled
                    type="date"
                    label={words.from}
                    value={sieve.span?.from.slice(0, 10) ?? ""}
                    onChange={({ target: { value: day } }) =>
                      set({
                        span: day
                          ? { from: `${day}T00:00:00`, to: sieve.span?.to ?? "9998-12-31T23:59:59" }
                          : undefined,
                      })
                    }
                  />
                  <Labelled
                    type="date"
                    label={words.to}
                    value={sieve.span?.to.startsWith("9998") ? "" : (sieve.span?.to.slice(0, 10) ?? "")}
                    onChange={({ target: { value: day } }) =>
                      set({
                        span: day
                          ? { from: sieve.span?.from ?? "1801-01-01T00:00:00", to: `${day}T23:59:59` }
                          : undefined,
                      })
                    }
                  />
                </HStack>
                {session && (
                  <Toggle
                    on={sieve.smallerThanPx > 0}
                    onChange={(yes) => set({ smallerThanPx: yes ? least : 0 })}
                    words={words.small}
                    help={words.smallHelp(least)}
                  />
                )}
                <Toggle on={sieve.hiddenToo} onChange={(hiddenToo) => set({ hiddenToo })} words={words.hiddenToo} />
                <Button size="sm" variant="outline" onClick={() => set({ ...openSieve, order: sieve.order })}>
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
function ByEvent({ span, onSpan }: { readonly span: Sieve["span"]; readonly onSpan: (span: Sieve["span"]) => void }) {
  const photos = useLibrary((s) => s.photos);
  const spans = useLibrary((s) => s.spans);
  const events = useMemo(() => findEvents(photos, spans), [photos, spans]);
  // A filter ends in whole seconds.
  const from = (e: PhotoEvent) => e.from.slice(0, 19);
  const at = events.find((e) => from(e) === span?.from && e.to.slice(0, 19) === span.to);
  const nameOf = (e: PhotoEvent) => `${e.span?.name ?? takenDay(e.from)} (${photoWords.count(e.photoIds.length)})`;
  return (
    <Box>
      <Label>{words.event}</Label>
      <Choose<string>
        label={words.event}
        value={at?.key ?? ""}
        options={[["", words.anyEvent], ...events.map((e): [string, string] => [e.key, nameOf(e)])]}
        onChoose={(key) => {
          const event = events.find((e) => e.key === key);
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
      <OneOfFew label={label} value={value} options={Object.entries(options)} onChoose={onChoose} />
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
