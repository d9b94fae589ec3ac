import { Button, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useMemo, useState } from "react";
import { type PlacedPage, placeAgain, type Scatter } from "#core/document";
import { firstScatter, scatteredTiles, scatterTask, withScattered } from "#core/edit";
import { tilings as words } from "../../../../text/index.ts";
import { useServices } from "../../../services.ts";
import { scatteredPhotos } from "../../../state/edit/scatter.ts";
import { keep, show } from "../../../state/edit/tree-gestures.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { CardStrip } from "./card-strip.tsx";
import { DrawerFrame } from "./drawer-frame.tsx";
import { PageCard } from "./page-card.tsx";

interface ScatteredProps {
  readonly page: PlacedPage;
  /** The group whose photos are scattered; none where they lie freely already. */
  readonly groupId: string | undefined;
  readonly choose: ReactNode;
}

const atOnce = 6;

/** The page's photos scattered from one start after the other. */
export function ScatteredOf({ page, groupId, choose }: ScatteredProps) {
  const [count, setCount] = useState(atOnce);
  const [at, setAt] = useState(0);
  const settings = { ...firstScatter(page), ...page.page.scatter };
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
            disabled={count >= 4 * atOnce}
            onClick={() => setCount(count + atOnce)}
          >
            {words.scatterMore}
          </Button>
        </>
      }
    >
      <CardStrip label={words.scattered} count={count} stop={at} onStop={setAt}>
        {Array.from({ length: count }, (_, i) => (
          <ScatterCard
            // biome-ignore lint/suspicious/noArrayIndexKey: each way is one start, by its number
            key={i}
            number={i + 1}
            page={page}
            groupId={groupId}
            scatter={{ ...settings, seed: i + 1 }}
            stop={i === at}
            onLook={() => setAt(i)}
          />
        ))}
      </CardStrip>
    </DrawerFrame>
  );
}

interface ScatterCardProps {
  readonly number: number;
  readonly page: PlacedPage;
  readonly groupId: string | undefined;
  readonly scatter: Scatter;
  readonly stop: boolean;
  readonly onLook: () => void;
}

function ScatterCard({ number, page, groupId, scatter, stop, onLook }: ScatterCardProps) {
  const services = useServices();
  const session = useSession();
  const style = usePanel((s) => s.project.words.caption);
  const photoOf = useMemo(() => scatteredPhotos(services), [services]);
  const tiles = scatteredTiles(page.page, groupId);
  const task = scatterTask(page, tiles, scatter, photoOf);
  const { data: lying } = useQuery({
    queryKey: ["scatter", JSON.stringify(task)],
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: () => services.arranging.run("scatter", task),
  });
  const given = useStable({ groupId, scatter });
  const edit = useMemo(
    () => lying && ((on: PlacedPage) => withScattered(on, lying, { ...given, photoOf, style, newId: services.newId })),
    [lying, given, photoOf, style, services],
  );
  const laid = useMemo(() => edit && placeAgain(page, edit(page)), [edit, page]);
  if (!laid || !edit)
    return (
      <Text w="112px" fontSize="13px" color="fg.subtle" textAlign="center" pt="6" px="2">
        {words.scatterLooking}
      </Text>
    );
  return (
    <PageCard
      page={laid}
      label={words.scatterCard(number)}
      title={words.scatterTitle(number)}
      note=""
      stop={stop}
      onLook={() => {
        onLook();
        show(session, edit);
      }}
      onLeave={() => session.dropPreview()}
      onTake={() => keep(session, "scattered", tiles.length, edit)}
    />
  );
}

/** The same object for as long as it says the same. */
function useStable<T>(value: T): T {
  const key = JSON.stringify(value);
  // biome-ignore lint/correctness/useExhaustiveDependencies: its text says all of it
  return useMemo(() => value, [key]);
}
