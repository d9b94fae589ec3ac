import { Button, Text } from "@chakra-ui/react";
import {
  type Border,
  type Change,
  cardBleed,
  type Dress,
  holdsPockets,
  isFree,
  type Patch,
  type PlacedTile,
  type StepCode,
} from "#core/document";
import { dressed, wholeGroup } from "#core/edit";
import { namedOutlines, newOutline, type OutlineName, outlineOf } from "#core/outlines";
import { formatLength } from "#core/units";
import { changeTrouble, dress, panel as words } from "../../../../text/index.ts";
import { Beside } from "../../../components/field-label.tsx";
import { NumberField } from "../../../components/number-field.tsx";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { lightChange, setLight } from "../../../state/edit/light.ts";
import { openPlaced, usePanel, useSession } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { BorderRows } from "./border-rows.tsx";
import { FadeRows } from "./fade-rows.tsx";
import { LengthRow } from "./length-row.tsx";
import { OutlineSettings } from "./outline-settings.tsx";
import { RingRows } from "./ring-rows.tsx";
import { ShadowSection } from "./shadow-section.tsx";
import { SoftRows } from "./soft-rows.tsx";

const mostBleedMm = 25;
const ownDress = ["cornerMm", "border", "shadow", "soft"] as const;

const saysItself = ({ tile }: PlacedTile): boolean => ownDress.some((k) => tile[k] !== undefined);

type Item = Extract<Change, { type: "setTiles" }>["items"][number];
type Own = Omit<Item, "id">;

/** The outline, corners, border and strength of one tile or of several; of several what is shown is what the first of them has. */
export function TileDress({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const session = useSession();
  const page = usePanel(openPage);
  const { format, look } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const project = usePanel((s) => s.project);
  const tile = tiles[0]!;
  const group = wholeGroup(
    page,
    tiles.map((t) => t.id),
  );
  const areCards = holdsPockets(page) && tiles.every((t) => !isFree(page, t.id));
  const keepAll = (code: StepCode, changes: readonly Change[], mergeKey?: string) => {
    const kept = session.commit({ code, count: tiles.length }, changes, { mergeKey });
    return kept.ok ? undefined : changeTrouble(kept, (mm) => formatLength(mm, unit, format.ppi));
  };
  const keep = (code: StepCode, own: (tile: PlacedTile) => Own, mergeKey?: string) =>
    keepAll(
      code,
      [{ type: "setTiles", pageId: page.id, items: tiles.map((t) => ({ id: t.id, ...own(t) })) }],
      mergeKey,
    );
  const wear = (code: StepCode, own: (tile: PlacedTile) => Patch<Dress>, mergeKey?: string) =>
    keepAll(code, dressed(page, tiles, own), mergeKey);
  const tryOn = (own: (tile: PlacedTile) => Patch<Dress>) => session.preview(dressed(page, tiles, own));
  const corner = (cornerMm: number) => () => ({ set: { cornerMm } });
  const border = (own: Partial<Border>) => (t: PlacedTile) => ({ set: { border: { ...t.border, ...own } } });
  const half = Math.min(...tiles.map((t) => Math.min(t.frame.width, t.frame.height))) / 2;
  return (
    <>
      {tiles.some((t) => t.filling.kind !== "ornament") && (
        <PanelSection title={words.tileEdges} folds="tile-edges">
          {tiles.some((t) => dressOf(t) !== dressOf(tile)) && (
            <Text fontSize="13.5px" color="fg.muted" mb="2">
              {words.theyDiffer}
            </Text>
          )}
          <Beside label={words.outline}>
            <Select<OutlineName>
              label={words.outline}
              value={tile.outline.kind}
              options={outlineChoices(tiles).map((name) => [name, words.outlines[name]])}
              onChoose={(name) => keep("changedOutline", ownOutline(name))}
            />
          </Beside>
          <OutlineSettings
            outline={tile.outline}
            unit={unit}
            ppi={format.ppi}
            onSet={(outline) => {
              keep("changedOutline", (t) => (t.outline.kind === outline.kind ? { set: { outline } } : {}));
            }}
          />
          {tiles.some((t) => outlineOf(t.outline).hasCorners) && (
            <LengthRow
              label={words.corner}
              mm={tile.cornerMm}
              sliderMostMm={half}
              unit={unit}
              format={format}
              onMove={(mm) => tryOn(corner(mm))}
              onMm={(mm) => wear("changedCorner", corner(mm))}
            />
          )}
          <BorderRows
            border={tile.border}
            mostMm={Math.min(10, half)}
            unit={unit}
            format={format}
            onShow={(own) => tryOn(border(own))}
            onKeep={(own) => wear("changedBorder", border(own))}
          />
          <RingRows tiles={tiles} unit={unit} />
          {areCards && (
            <LengthRow
              label={words.cardBleed}
              mm={cardBleed(project, tile.tile)}
              sliderMostMm={10}
              unit={unit}
              format={format}
              onMove={(mm) =>
                session.preview([
                  {
                    type: "setTiles",
                    pageId: page.id,
                    items: tiles.map((t) => ({ id: t.id, set: { cardBleedMm: mm } })),
                  },
                ])
              }
              onMm={(mm) => keep("changedBleed", () => ({ set: { cardBleedMm: Math.min(mostBleedMm, mm) } }))}
            />
          )}
          {areCards && tiles.some((t) => t.tile.cardBleedMm !== undefined) && (
            <Button size="sm" variant="ghost" onClick={() => keep("changedBleed", () => ({ unset: ["cardBleedMm"] }))}>
              {words.bleedOfAll}
            </Button>
          )}
          {(tiles.some(saysItself) || (group && ownDress.some((k) => group[k] !== undefined))) && (
            <Button size="sm" variant="ghost" onClick={() => wear("dressedAsPage", () => ({ unset: [...ownDress] }))}>
              {dress.asPage}
            </Button>
          )}
        </PanelSection>
      )}
      <ShadowSection
        title={dress.shadowSoftOpacity}
        under={tiles.every((t) => t.filling.kind === "ornament")}
        shadow={tile.shadow}
        light={look.light}
        unit={unit}
        format={format}
        onShow={(shadow) => tryOn(() => ({ set: { shadow } }))}
        onKeep={(shadow, slider) =>
          wear("changedShadow", () => ({ set: { shadow } }), slider && `shadow-${slider}-${tile.id}`)
        }
        onShowLight={(light) => session.preview([lightChange(project, light)])}
        onLight={(light) => void setLight(session, light)}
      >
        <SoftRows
          soft={tile.soft}
          mostMm={Math.min(40, half)}
          straight={tiles.every((t) => t.outline.kind === "rectangle" && t.cornerMm === 0)}
          unit={unit}
          format={format}
          onShow={(soft) => tryOn(() => ({ set: { soft } }))}
          onKeep={(soft) => wear("changedSoft", () => ({ set: { soft } }))}
        />
        <FadeRows tiles={tiles} />
        <Beside label={words.opacity}>
          <NumberField
            hideLabel
            label={words.opacity}
            value={Math.round(100 * (tile.tile.opacity ?? 1))}
            least={0}
            most={100}
            step={5}
            onNumber={(n) =>
              keep(
                "changedOpacity",
                () => (n < 100 ? { set: { opacity: n / 100 } } : { unset: ["opacity"] }),
                `opacity-${tiles.map((t) => t.id).join()}`,
              )
            }
          />
        </Beside>
      </ShadowSection>
    </>
  );
}

/** All that this section sets, to compare by. */
const dressOf = (t: PlacedTile): string =>
  JSON.stringify([t.shaped ? t.tile.outline : t.outline, t.cornerMm, t.border, t.shadow, t.soft, t.tile.opacity ?? 1]);

/** Where an arrangement decides the shape, going back to that is a choice; a shape of a tile's own can be kept, and not chosen. */
const outlineChoices = (tiles: readonly PlacedTile[]): readonly OutlineName[] =>
  tiles.some((t) => t.outline.kind === "path" || t.shaped) ? ["path", ...namedOutlines] : namedOutlines;

/** A shape for a tile, or none of its own any more. */
const ownOutline =
  (name: OutlineName) =>
  (tile: PlacedTile): Own => {
    if (name !== "path") return { set: { outline: newOutline(name) } };
    return tile.tile.outline?.kind === "path" ? {} : { unset: ["outline"] };
  };
