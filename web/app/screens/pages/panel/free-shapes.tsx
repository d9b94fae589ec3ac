import { HStack } from "@chakra-ui/react";
import {
  FlipHorizontal2,
  FlipVertical2,
  Maximize2,
  Minimize2,
  SquareRoundCorner,
  SquaresIntersect,
  SquaresSubtract,
  SquaresUnite,
} from "lucide-react";
import { useState } from "react";
import type { PlacedTile } from "#core/document";
import { shapeGrown, shapesCombined, tilesMirrored } from "#core/edit";
import { free as words } from "../../../../text/index.ts";
import { LengthField } from "../../../components/length-field.tsx";
import { Act } from "../../../components/panel-parts.tsx";
import { keep } from "../../../state/edit/tree-gestures.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";

const ways = [
  ["union", SquaresUnite],
  ["difference", SquaresSubtract],
  ["intersection", SquaresIntersect],
] as const;

/** Shapes mirrored; several made one, one grown or shrunk. */
export function FreeShapes({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const session = useSession();
  const { unit, format } = usePanel((s) => s.project);
  const ids = tiles.map((t) => t.id);
  const [only] = tiles;
  // An ornament has no outline that could grow or be cut.
  const drawn = tiles.some((t) => t.filling.kind === "ornament");
  const mirror = (way: "side" | "stack") =>
    keep(session, "mirroredTiles", ids.length, (on) => tilesMirrored(on.page, ids, way));
  const grow = (by: number, join: "mitre" | "round") =>
    keep(session, "grewShape", 1, (on) => shapeGrown(on, only!.id, by, join));
  const [byMm, setByMm] = useState(2);
  return (
    <>
      <HStack gap="1" role="group" aria-label={words.shapes}>
        <Act grows icon={FlipHorizontal2} name={words.mirrorSides} onAct={() => mirror("side")} />
        <Act grows icon={FlipVertical2} name={words.mirrorUpside} onAct={() => mirror("stack")} />
        {tiles.length > 1 &&
          !drawn &&
          ways.map(([how, icon]) => (
            <Act
              key={how}
              grows
              icon={icon}
              name={words.combine[how]}
              onAct={() => keep(session, "combinedShapes", ids.length, (on) => shapesCombined(on, ids, how))}
            />
          ))}
      </HStack>
      {tiles.length === 1 && !drawn && (
        <HStack gap="1" align="end">
          <LengthField
            label={words.growBy}
            mm={byMm}
            unit={unit}
            ppi={format.ppi}
            onMm={(mm) => {
              setByMm(Math.min(100, Math.max(0.1, mm)));
              return undefined;
            }}
          />
          <Act icon={Minimize2} name={words.shrink} onAct={() => grow(-byMm, "mitre")} />
          <Act icon={Maximize2} name={words.grow} onAct={() => grow(byMm, "mitre")} />
          <Act icon={SquareRoundCorner} name={words.growRound} onAct={() => grow(byMm, "round")} />
        </HStack>
      )}
    </>
  );
}
