import { Button, HStack, Text, VStack } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useMemo, useState } from "react";
import type { Alternative } from "#core/arrange";
import { groupAt, type PlacedGroup, type PlacedPage, photoIdOf, placeAgain, treeIn } from "#core/document";
import { arrangedAs, type Edit, gathered } from "#core/edit";
import { photoShape } from "#core/photo";
import { shelf, tilings, panel as words } from "../../../../text/index.ts";
import { useKeys } from "../../../commands/hear.ts";
import { pressedLook } from "../../../components/panel-parts.tsx";
import { Segmented } from "../../../components/segmented.tsx";
import { useServices } from "../../../services.ts";
import { scatteredPhotos } from "../../../state/edit/scatter.ts";
import { keep, show } from "../../../state/edit/tree-gestures.ts";
import { openPlaced, useLibrary, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { CardStrip } from "./card-strip.tsx";
import { DrawerFrame } from "./drawer-frame.tsx";
import { PageCard } from "./page-card.tsx";
import { PatternsOf } from "./patterns.tsx";
import { ScatteredOf } from "./scattered.tsx";
import { useDrawerPx } from "./shelf-size.ts";

const inOrder = 0.85;
const asGoodAsNothing = 0.0005;

type Filter = "order" | "leader" | "crop";

type Kind = "straight" | "patterns" | "scattered";

const kindOf = (page: PlacedPage, at: PlacedGroup | undefined): Kind =>
  page.page.scatter && !at ? "scattered" : at?.group.arrangement.kind === "tiling" ? "patterns" : "straight";

/** Small pictures of this page's own photos arranged differently. Looking at one shows it on the page. */
export function WaysDrawer() {
  // The page as it is kept: what is only being looked at asks for no other ways.
  const page = usePanel(openPlaced);
  const services = useServices();
  const [tileId] = useViewState((s) => s.tiles.ids);
  const at = (tileId === undefined ? undefined : groupAt(page, tileId)) ?? groupAt(page);
  const height = useDrawerPx();
  const [kind, setKind] = useState<Kind>(() => kindOf(page, at));
  const [gatheredId] = useState(services.newId);
  // Prints that lie scattered are one group again before they are arranged otherwise.
  const gather: Edit = at ? (on) => on.page : (on) => gathered(on, gatheredId, scatteredPhotos(services));
  const base = useMemo(
    () => (at || !page.page.scatter ? page : placeAgain(page, gathered(page, gatheredId, scatteredPhotos(services)))),
    [at, page, gatheredId, services],
  );
  const group = at ?? groupAt(base);
  if (
    !group ||
    group.group.arrangement.kind === "pockets" ||
    group.group.tiles.every((t) => photoIdOf(t) === undefined)
  )
    return (
      <DrawerFrame>
        <Text px="4" fontSize="14px" color="fg.subtle" style={{ height }}>
          {shelf.noWays}
        </Text>
      </DrawerFrame>
    );
  const choose = (
    <Segmented<Kind>
      label={tilings.kinds}
      value={kind}
      tight
      options={[
        ["straight", tilings.straight],
        ["patterns", tilings.patterns],
        ["scattered", tilings.scattered],
      ]}
      onChoose={setKind}
    />
  );
  if (kind === "scattered") return <ScatteredOf page={page} groupId={at?.group.id} choose={choose} />;
  const Of = kind === "straight" ? OfGroup : PatternsOf;
  return <Of page={base} group={group} gather={gather} choose={choose} />;
}

interface OfGroupProps {
  readonly page: PlacedPage;
  readonly group: PlacedGroup;
  /** What makes a group of the photos before they are arranged. */
  readonly gather: Edit;
  /** What other kinds of ways are come to by. */
  readonly choose: ReactNode;
}

function OfGroup({ page, group: placed, gather, choose }: OfGroupProps) {
  const session = useSession();
  const ways = useAlternatives(placed);
  const { group } = placed;
  const count = group.tiles.length;
  const as =
    (way: Alternative): Edit =>
    (on) =>
      arrangedAs(group.id, way)(placeAgain(on, gather(on)));
  const [filters, setFilters] = useState<ReadonlySet<Filter>>(new Set());
  const [at, setAt] = useState(0);
  const lead = treeIn(group)?.lead ?? null;
  const shown = useMemo(
    () =>
      (ways ?? []).filter(
        (w) =>
          (!filters.has("order") || w.order >= inOrder) &&
          (!filters.has("leader") || w.leadShare >= 0.8 * (lead?.share ?? 0.3)) &&
          (!filters.has("crop") || w.worstCrop < asGoodAsNothing),
      ),
    [ways, filters, lead],
  );
  const step = (by: 1 | -1) => {
    if (shown.length === 0) return false;
    const next = (at + by + shown.length) % shown.length;
    setAt(next);
    // Stepped through quickly, all of it is one step to undo.
    keep(session, "arrangedAnew", count, as(shown[next]!), "ways");
    return true;
  };
  useKeys("alternatives", { alternativeBefore: () => step(-1), alternativeAfter: () => step(1) });
  const take = (way: Alternative) => keep(session, "arrangedAnew", count, as(way));
  const stop = Math.min(at, shown.length - 1);
  const toggle = (f: Filter) => {
    const next = new Set(filters);
    if (!next.delete(f)) next.add(f);
    setFilters(next);
  };
  const names = { order: words.keepOrder, leader: words.keepLeader, crop: words.cropNothing };
  return (
    <DrawerFrame tools={choose}>
      {!ways && (
        <Text px="4" fontSize="14px" color="fg.subtle" role="status">
          {words.waysLooking}
        </Text>
      )}
      {ways && shown.length === 0 && (
        <Text px="4" fontSize="14px" color="fg.subtle" role="status">
          {words.noAlternatives}
        </Text>
      )}
      <HStack align="start" gap="2">
        <CardStrip label={words.alternatives} count={shown.length} stop={stop} onStop={setAt}>
          {shown.map((way, i) => (
            <AlternativeCard
              // biome-ignore lint/suspicious/noArrayIndexKey: a way has nothing but its place
              key={i}
              way={way}
              page={page}
              groupId={group.id}
              number={i + 1}
              stop={i === stop}
              onLook={() => {
                setAt(i);
                show(session, as(way));
              }}
              onLeave={() => session.dropPreview()}
              onTake={() => take(way)}
            />
          ))}
        </CardStrip>
        <VStack align="stretch" gap="1" pt="1" pr="3" flexShrink="0">
          {(Object.keys(names) as Filter[]).map((f) => (
            <Button
              key={f}
              size="sm"
              h="7"
              px="2.5"
              fontSize="13px"
              variant="outline"
              aria-pressed={filters.has(f)}
              onClick={() => toggle(f)}
              {...pressedLook(filters.has(f))}
            >
              {names[f]}
            </Button>
          ))}
        </VStack>
      </HStack>
    </DrawerFrame>
  );
}

function useAlternatives(at: PlacedGroup): readonly Alternative[] | undefined {
  const { arranging } = useServices();
  const byId = useLibrary((s) => s.byId);
  const { group, room, gapMm } = at;
  const tree = treeIn(group);
  const photos = group.tiles.map((t) => byId.get(photoIdOf(t) ?? ""));
  const key = [
    "ways",
    group.tiles.map((t, i) => `${t.id} ${photos[i]?.hash.slice(0, 12) ?? ""}`).join(),
    gapMm,
    JSON.stringify(room),
    tree?.lead,
    photos.filter((p) => p?.focus).length,
  ];
  return useQuery({
    queryKey: key,
    enabled: group.tiles.length > 0,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: (before, query) => (query?.queryKey[1] === key[1] ? before : undefined),
    queryFn: () =>
      arranging.run("alternatives", {
        at,
        photos: photos.flatMap((p) => (p ? [{ id: p.id, ...photoShape(p) }] : [])),
        seed: 0,
      }),
  }).data;
}

interface AlternativeCardProps {
  readonly way: Alternative;
  readonly page: PlacedPage;
  readonly groupId: string;
  readonly number: number;
  readonly stop: boolean;
  readonly onLook: () => void;
  readonly onLeave: () => void;
  readonly onTake: () => void;
}

function AlternativeCard({ way, page, groupId, number, ...rest }: AlternativeCardProps) {
  const solved = useMemo(() => placeAgain(page, arrangedAs(groupId, way)(page)), [way, page, groupId]);
  const [kind, crop] = [words.wayKinds[way.kind], words.wayCrop(way.crop)];
  return (
    <PageCard
      page={solved}
      label={words.way(number, kind, crop, words.wayOrder(way.order))}
      title={kind}
      note={crop}
      {...rest}
    />
  );
}
