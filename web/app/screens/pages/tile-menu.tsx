import type { ReactElement } from "react";
import {
  allTiles,
  areEqual,
  areWords,
  arrangedTiles,
  findTile,
  groupOfTile,
  isFree,
  isLocked,
  type Page,
  type Tile,
} from "#core/document";
import { halved, keptTogether, locked, slippedIn } from "#core/edit";
import { tileMenu as words } from "../../../text/index.ts";
import { firstKeyOf } from "../../commands/shown.ts";
import { ContextMenu, type Deed } from "../../components/context-menu.tsx";
import { type Services, useServices } from "../../services.ts";
import { areOfOneGroup, lead, leadOf, makeEqual } from "../../state/edit/arrange-page.ts";
import { emptyThem, putPhoto, swapPhotos, takeAway } from "../../state/edit/page-gestures.ts";
import { keep } from "../../state/edit/tree-gestures.ts";
import { aspectsIn } from "../../state/library/aspects.ts";
import { useSession } from "../../state/session/hooks.ts";
import { openPage, type ProjectSession } from "../../state/session/project-session.ts";
import { nothingChosen } from "../../state/view-state/choose.ts";

/** What can be done with the chosen tiles, where the pointer is; opened by a right click or the menu key. */
export function TileMenu({ children }: { readonly children: ReactElement }) {
  const services = useServices();
  const { viewState } = services;
  const session = useSession();
  // Otherwise nothing would have the focus once the menu is gone, and keys would go nowhere.
  const focusTile = () =>
    requestAnimationFrame(() => {
      const [id] = viewState.getState().tiles.ids;
      const held = document.activeElement;
      if (id !== undefined && (held === document.body || held?.closest('[role="menu"]')))
        document.querySelector<HTMLElement>(`[data-tile="${id}"]`)?.focus();
    });
  return (
    <ContextMenu label={words.label} deeds={() => deedsFor(services, session)} onClose={focusTile}>
      {children}
    </ContextMenu>
  );
}

function deedsFor(services: Services, session: ProjectSession): readonly Deed[] {
  const page = openPage(session.state.getState());
  const { tiles: chosen, photos: onShelf } = services.viewState.getState();
  const [only] = onShelf.ids.size === 1 ? onShelf.ids : [];
  const photo = only === undefined ? undefined : services.library.state.getState().byId.get(only);
  const tiles = [...chosen.ids].flatMap((id) => findTile(page, id) ?? []);
  const [tile, other] = tiles;
  if (!tile) return [];
  const ids = tiles.map((t) => t.id);
  const full = tiles.filter((t) => t.filling.kind === "photo");
  const all: (Deed | false | undefined)[] = [];
  if (tiles.length === 1) all.push(...ofOne(tile));
  if (tiles.length === 2 && other && full.length > 0)
    all.push(["swap", words.swap, () => swapPhotos(session, tile.id, other.id)]);
  if (areOfOneGroup(page, ids) && tiles.length <= 4)
    all.push([
      "together",
      words.together,
      () => keep(session, "keptTogether", ids.length, keptTogether(aspectsIn(services), ids)),
    ]);
  const free = tiles.some((t) => isFree(page, t.id));
  const equal = areEqual(groupOfTile(page, tile.id), ids);
  if (areOfOneGroup(page, ids))
    all.push(["equal", equal ? words.equalNot : words.equal, () => makeEqual(services, session, ids, !equal)]);
  const areLocked = tiles.every((t) => isLocked(t));
  if (!free)
    all.push([
      "lock",
      areLocked ? words.unlock : words.lock,
      () => keep(session, "lockedTiles", ids.length, locked(ids, !areLocked)),
    ]);
  const alike = tiles.length === 1 ? allLike(page, tile) : [];
  if (alike.length > 1)
    all.push([
      "alike",
      words.alike[tile.filling.kind],
      () => services.viewState.setState({ tiles: { ids: new Set(alike), anchor: tile.id } }),
    ]);
  if (full.length > 0) all.push(["empty", words.empty, () => emptyThem(session, ids), firstKeyOf("page", "empty")]);
  all.push([
    "take",
    words.takeAway,
    () => {
      takeAway(session, ids);
      services.viewState.setState({ tiles: nothingChosen });
    },
    firstKeyOf("page", "takeAway"),
  ]);
  return all.filter((d): d is Deed => Boolean(d));

  function reframeDeed(tileId: string): Deed {
    const open = () => services.viewState.setState({ reframing: tileId, brushing: false });
    return ["reframe", words.reframe, open, firstKeyOf("tiles", "open")];
  }

  function ofOne(one: Tile): (Deed | false | undefined)[] {
    const has = one.filling.kind === "photo";
    const leads = leadOf(page)?.tileId === one.id;
    const reframe = has && reframeDeed(one.id);
    if (isFree(page, one.id))
      return [reframe, photo && !areWords(one) && ["put", words.put, () => putPhoto(session, one.id, photo.id)]];
    return [
      reframe,
      photo && ["put", words.put, () => putPhoto(session, one.id, photo.id)],
      photo && [
        "before",
        words.slipBefore,
        () => keep(session, "slippedIn", 1, slippedIn(photo, one.id, "left", services.newId)),
      ],
      photo && [
        "after",
        words.slipAfter,
        () => keep(session, "slippedIn", 1, slippedIn(photo, one.id, "right", services.newId)),
      ],
      arrangedTiles(page).length > 2 && [
        "lead",
        leads ? words.leadNot : words.lead,
        () => lead(services, session, leads ? undefined : one.id, 0.4),
        firstKeyOf("page", "lead"),
      ],
      ["across", words.splitAcross, () => keep(session, "halvedTile", 1, halved(one.id, "side", services.newId))],
      ["down", words.splitDown, () => keep(session, "halvedTile", 1, halved(one.id, "stack", services.newId))],
    ];
  }
}

/** The tiles of a page that hold the same kind of thing; of words those of the same role. */
const allLike = (page: Page, { filling }: Tile): readonly string[] =>
  allTiles(page)
    .filter(
      ({ filling: f }) =>
        f.kind === filling.kind && (f.kind !== "words" || (filling.kind === "words" && f.role === filling.role)),
    )
    .map((t) => t.id);
