import { Button } from "@chakra-ui/react";
import type { PlacedTile, Tile } from "#core/document";
import { ringChange, ringedWith } from "#core/edit";
import type { Unit } from "#core/units";
import { dress as words } from "../../../../text/index.ts";
import { useServices } from "../../../services.ts";
import { openPlaced, usePanel, useSession } from "../../../state/session/hooks.ts";
import { ColourRow } from "./colour-row.tsx";
import { LengthRow } from "./length-row.tsx";

type Ring = NonNullable<Tile["ring"]>;

interface RingRowsProps {
  readonly tiles: readonly PlacedTile[];
  readonly unit: Unit;
}

const first = { widthMm: 0, colour: "#1c2320", awayMm: 0 } as const;

/** A border around several tiles as if they were one shape. Of a tile that has one with others it is theirs as well. */
export function RingRows({ tiles, unit }: RingRowsProps) {
  const session = useSession();
  const { newId } = useServices();
  const { page, format } = usePanel(openPlaced);
  const ring = tiles.find((t) => t.tile.ring)?.tile.ring;
  if (tiles.length < 2 && !ring) return null;
  const ids = ringedWith(
    page,
    tiles.map((t) => t.id),
  );
  const now: Ring = ring ?? { id: newId(), ...first };
  const change = (own: Partial<Ring>) => {
    const next = { ...now, ...own };
    return ringChange(page, ids, next.widthMm > 0 ? next : undefined);
  };
  const show = (own: Partial<Ring>) => session.preview([change(own)]);
  const keep = (own: Partial<Ring>) => {
    session.commit({ code: "changedRing", count: ids.length }, [change(own)]);
    return undefined;
  };
  return (
    <>
      <LengthRow
        label={words.ringWidth}
        mm={now.widthMm}
        sliderMostMm={10}
        unit={unit}
        format={format}
        onMove={(widthMm) => show({ widthMm })}
        onMm={(widthMm) => keep({ widthMm })}
      />
      {ring && (
        <>
          <LengthRow
            label={words.ringAway}
            mm={now.awayMm}
            sliderMostMm={10}
            unit={unit}
            format={format}
            onMove={(awayMm) => show({ awayMm })}
            onMm={(awayMm) => keep({ awayMm })}
          />
          <ColourRow
            label={words.ringColour}
            colour={now.colour}
            onMove={(colour) => show({ colour })}
            onEnd={(colour) => void keep({ colour })}
          />
          <Button size="sm" variant="ghost" mb="2" onClick={() => keep({ widthMm: 0 })}>
            {words.ringGone}
          </Button>
        </>
      )}
    </>
  );
}
