import { widestGap } from "#core/arrange";
import { insertIn } from "#core/pockets";
import type { PocketArrangement } from "../page/page.ts";
import type { ArrangementKind } from "./kind.ts";

export const pockets: ArrangementKind<PocketArrangement> = {
  tileIds: (a) => a.places.map((p) => p.tileId),
  renamed: (a, idOf) => ({ ...a, places: a.places.map((p) => ({ ...p, tileId: idOf(p.tileId) })) }),
  place: (a) => new Map(a.places.map((p) => [p.tileId, insertIn(p.pocket, a.cardClearanceMm)])),
  widestGap: (_a, room, leastMm) => widestGap(room, 1, 1, leastMm),
  asTree: () => undefined,
  bleeds: false,
};
