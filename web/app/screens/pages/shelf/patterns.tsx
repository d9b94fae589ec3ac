import { Button } from "@chakra-ui/react";
import { type ReactNode, useDeferredValue, useMemo, useState } from "react";
import { canBeCut, tilingPatterns } from "#core/arrange";
import { type PlacedGroup, type PlacedPage, placeAgain, type TilingSettings } from "#core/document";
import { type Edit, tiled } from "#core/edit";
import { tilings as words } from "../../../../text/index.ts";
import { pressedLook } from "../../../components/panel-parts.tsx";
import { useServices } from "../../../services.ts";
import { keep, show } from "../../../state/edit/tree-gestures.ts";
import { shapesIn } from "../../../state/library/aspects.ts";
import { useSession } from "../../../state/session/hooks.ts";
import { CardStrip } from "./card-strip.tsx";
import { DrawerFrame } from "./drawer-frame.tsx";
import { PageCard } from "./page-card.tsx";

interface PatternsProps {
  readonly page: PlacedPage;
  readonly group: PlacedGroup;
  /** What makes a group of the photos before they are arranged. */
  readonly gather: Edit;
  readonly choose: ReactNode;
}

/** How far a line of pennants hangs before somebody sets it. */
const firstSag = 0.08;

/** The group's own photos as the cells of each pattern. */
export function PatternsOf({ page, group: { group }, gather, choose }: PatternsProps) {
  const services = useServices();
  const session = useSession();
  const now = group.arrangement.kind === "tiling" ? group.arrangement : undefined;
  const [cut, setCut] = useState(now?.cut ?? false);
  const [at, setAt] = useState(0);
  const settings = tilingPatterns.map((pattern): TilingSettings => ({ pattern, cut, sag: now?.sag ?? firstSag }));
  const edit =
    (s: TilingSettings): Edit =>
    (on) =>
      tiled(group.id, s, shapesIn(services))(placeAgain(on, gather(on)));
  return (
    <DrawerFrame
      tools={
        <>
          {choose}
          <Button
            size="sm"
            h="7"
            px="2.5"
            fontSize="13px"
            variant="outline"
            aria-pressed={cut}
            title={words.toEdgesMeans}
            onClick={() => setCut(!cut)}
            {...pressedLook(cut)}
          >
            {words.toEdges}
          </Button>
        </>
      }
    >
      <CardStrip label={words.patterns} count={settings.length} stop={at} onStop={setAt}>
        {settings.map((s, i) => (
          <PatternCard
            key={s.pattern}
            settings={s}
            page={page}
            groupId={group.id}
            stop={i === at}
            onLook={() => {
              setAt(i);
              show(session, edit(s));
            }}
            onLeave={() => session.dropPreview()}
            onTake={() => keep(session, "tiledGroup", group.tiles.length, edit(s))}
          />
        ))}
      </CardStrip>
    </DrawerFrame>
  );
}

interface PatternCardProps {
  readonly settings: TilingSettings;
  readonly page: PlacedPage;
  readonly groupId: string;
  readonly stop: boolean;
  readonly onLook: () => void;
  readonly onLeave: () => void;
  readonly onTake: () => void;
}

function PatternCard({ settings, page, groupId, ...rest }: PatternCardProps) {
  const services = useServices();
  const { pattern, cut, sag } = settings;
  // A page that changes shows at once; its cards follow when there is time.
  const now = useDeferredValue(page);
  const laid = useMemo(
    () => placeAgain(now, tiled(groupId, { pattern, cut, sag }, shapesIn(services))(now)),
    [pattern, cut, sag, now, groupId, services],
  );
  const edges = cut && canBeCut.has(pattern) ? words.cut : words.whole;
  return (
    <PageCard
      page={laid}
      label={words.card(words.names[pattern], edges)}
      title={words.names[pattern]}
      note={edges}
      {...rest}
    />
  );
}
