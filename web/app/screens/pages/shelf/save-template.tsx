import { Box, Button, chakra, HStack, Input, Text, VStack } from "@chakra-ui/react";
import { type ReactNode, useMemo, useState } from "react";
import { frameRect, type PlacedPage, type PlacedTile } from "#core/document";
import { bleedBox } from "#core/lab";
import { drawnPage, photoPlaces, type Template, templateOfPage, waitsFor } from "#core/templates";
import { common, templates as words } from "../../../../text/index.ts";
import { ConfirmDialog } from "../../../components/confirm-dialog.tsx";
import { PageCanvas } from "../../../components/page-canvas.tsx";
import { Segmented } from "../../../components/segmented.tsx";
import { Toggle } from "../../../components/toggle.tsx";
import { notices } from "../../../notices/notices.ts";
import { useServices } from "../../../services.ts";
import { useLibrary, useViewState } from "../../../state/session/hooks.ts";

const drawnPx = 300;

interface SaveTemplateProps {
  readonly page: PlacedPage;
  /** One's own template that is changed; a new one is made where there is none. */
  readonly of: Template | undefined;
  readonly onClose: () => void;
}

/** What is said of single places. */
interface Said {
  readonly numbered: readonly string[];
  readonly skipped: ReadonlySet<string>;
  readonly spare: ReadonlySet<string>;
}
const nothingSaid: Said = { numbered: [], skipped: new Set(), spare: new Set() };

type Mode = "number" | "skip" | "spare";

/** Names a page's arrangement and keeps it, or changes one that was kept; its places can be given an order, or told to stay bare. */
export function SaveTemplate({ page, of, onClose }: SaveTemplateProps) {
  const { templates, newId } = useServices();
  const byId = useLibrary((s) => s.byId);
  const chosen = useViewState((s) => s.tiles.ids);
  const [mode, setMode] = useState<Mode>("number");
  const [name, setName] = useState(of?.name ?? "");
  const [family, setFamily] = useState(of?.family ?? "");
  const [fromPage, setFromPage] = useState(false);
  const [onlyChosen, setOnlyChosen] = useState(false);
  const from = of && !fromPage ? drawnPage(of) : page;
  const [said, setSaid] = useState<Said>(() => (of ? saidOn(from) : nothingSaid));
  const made = useMemo(
    () =>
      templateOfPage(from, {
        id: of?.id ?? newId(),
        name: "-",
        family: family.trim(),
        ...said,
        ...(onlyChosen ? { only: chosen } : {}),
        isPaper: (id) => (byId.get(id)?.section ?? "photos") !== "photos",
      }),
    [from, of, newId, family, said, onlyChosen, chosen, byId],
  );
  const suggested = of?.name ?? words.nameOf(made ? photoPlaces(made) : 0);
  const save = async () => {
    if (!made) return;
    const named = { ...made, name: name.trim() || suggested };
    await templates.keep([named]);
    if (!of) notices.create({ title: words.saved(named.name), type: "success" });
    else
      notices.create({
        title: words.changed(named.name),
        type: "success",
        action: { label: common.undoIt, onClick: () => void templates.keep([of]) },
      });
    onClose();
  };

  return (
    <ConfirmDialog
      title={of ? words.editTitle : words.saveTitle}
      doIt={of ? words.editDo : words.saveDo}
      able={made !== undefined}
      onDo={() => void save()}
      onClose={onClose}
    >
      <VStack align="stretch" gap="3.5">
        <HStack gap="3" align="end">
          <Named label={words.name}>
            <Input
              value={name}
              placeholder={suggested}
              maxLength={80}
              onChange={(e) => setName(e.target.value)}
              bg="oat.25"
              borderColor="oat.400"
            />
          </Named>
          <Named label={words.familyOf}>
            <Input
              value={family}
              maxLength={40}
              onChange={(e) => setFamily(e.target.value)}
              bg="oat.25"
              borderColor="oat.400"
            />
          </Named>
        </HStack>
        {of && page.tiles.length > 0 && (
          <Toggle
            label={words.fromPage}
            on={fromPage}
            onTurn={(on) => {
              setFromPage(on);
              setSaid(on ? nothingSaid : saidOn(drawnPage(of)));
            }}
          />
        )}
        {!of && chosen.size > 0 && <Toggle label={words.onlyChosen} on={onlyChosen} onTurn={setOnlyChosen} />}
        {!made ? (
          <Text role="alert">{words.cannotSave}</Text>
        ) : (
          <>
            <HStack justify="space-between">
              <Segmented
                label={words.mode}
                value={mode}
                options={[
                  ["number", words.number],
                  ["spare", words.spare],
                  ["skip", words.skip],
                ]}
                onChoose={setMode}
              />
              <Button
                size="sm"
                variant="ghost"
                disabled={said.numbered.length + said.skipped.size + said.spare.size === 0}
                onClick={() => setSaid(nothingSaid)}
              >
                {words.startOver}
              </Button>
            </HStack>
            <Text fontSize="14px" color="fg.muted">
              {{ number: words.numberHelp, spare: words.spareHelp, skip: words.skipHelp }[mode]}
            </Text>
            <Places from={from} said={said} onPlace={(tile) => setSaid(toldOf(said, tile.id, mode))} />
          </>
        )}
      </VStack>
    </ConfirmDialog>
  );
}

const Named = ({ label, children }: { readonly label: string; readonly children: ReactNode }) => (
  <Text as="label" fontSize="14px" fontWeight="500" display="block" flex="1">
    {label}
    <Box mt="1">{children}</Box>
  </Text>
);

/** What a template says of its places already. */
function saidOn(on: PlacedPage): Said {
  const waits = on.tiles.flatMap(({ id, filling }) =>
    filling.kind === "empty" && filling.waits ? [[id, filling.waits] as const] : [],
  );
  const photos = waits.flatMap(([id, w]) => (w.for === "photo" ? [[id, w] as const] : []));
  return {
    numbered: photos
      .filter(([, w]) => w.number !== undefined)
      .sort(([, a], [, b]) => (a.number ?? 0) - (b.number ?? 0))
      .map(([id]) => id),
    skipped: new Set(waits.filter(([, w]) => w.for === "nothing").map(([id]) => id)),
    spare: new Set(photos.filter(([, w]) => w.spare).map(([id]) => id)),
  };
}

/** After a click on a place: said of it, or no more said of it. */
function toldOf(said: Said, id: string, mode: Mode): Said {
  const without = (all: ReadonlySet<string>) => new Set([...all].filter((one) => one !== id));
  const rest: Said = {
    numbered: said.numbered.filter((one) => one !== id),
    skipped: without(said.skipped),
    spare: without(said.spare),
  };
  if (mode === "number") return said.numbered.includes(id) ? rest : { ...rest, numbered: [...rest.numbered, id] };
  if (mode === "skip") return said.skipped.has(id) ? rest : { ...rest, skipped: new Set([...rest.skipped, id]) };
  return said.spare.has(id) ? rest : { ...rest, spare: new Set([...rest.spare, id]) };
}

interface PlacesProps {
  readonly from: PlacedPage;
  readonly said: Said;
  readonly onPlace: (tile: PlacedTile) => void;
}

/** The page with its places as buttons. */
function Places({ from, said, onPlace }: PlacesProps) {
  const box = bleedBox(from.format);
  const scale = drawnPx / Math.max(box.w, box.h);
  return (
    <Box
      position="relative"
      mx="auto"
      bg="white"
      boxShadow="card"
      style={{ width: box.w * scale, height: box.h * scale }}
    >
      <PageCanvas page={from} scale={scale} />
      {from.tiles.map((tile, i) => {
        const r = frameRect(tile.frame);
        const number = said.numbered.indexOf(tile.id) + 1;
        const bare = said.skipped.has(tile.id);
        const spare = said.spare.has(tile.id);
        const forWords = tile.filling.kind === "words" || waitsFor(tile) === "words";
        const state = forWords
          ? words.placeWords
          : number > 0
            ? words.placeNumber(number)
            : bare
              ? words.placeSkipped
              : spare
                ? words.placeSpare
                : "";
        return (
          <chakra.button
            key={tile.id}
            type="button"
            aria-label={words.place(i + 1, from.tiles.length, state)}
            disabled={forWords}
            onClick={() => onPlace(tile)}
            position="absolute"
            display="grid"
            placeItems="center"
            bg={bare ? "rgba(244, 239, 230, .9)" : forWords ? "rgba(244, 239, 230, .5)" : "rgba(34, 48, 43, .12)"}
            border="1px solid rgba(34, 48, 43, .2)"
            borderStyle={spare ? "dashed" : "solid"}
            _enabled={{ _hover: { boxShadow: "inset 0 0 0 2px {colors.glaze.500}" } }}
            _focusVisible={{ outline: "3px solid {colors.glaze.600}" }}
            style={{
              left: (r.x - box.x) * scale,
              top: (r.y - box.y) * scale,
              width: r.w * scale,
              height: r.h * scale,
              transform: `rotate(${tile.frame.turn}deg)`,
            }}
          >
            {number > 0 && <Badge>{number}</Badge>}
            {spare && <Badge quiet>{words.spareShort}</Badge>}
          </chakra.button>
        );
      })}
    </Box>
  );
}

const Badge = ({ quiet = false, children }: { readonly quiet?: boolean; readonly children: ReactNode }) => (
  <Box
    minW="24px"
    px="1.5"
    borderRadius="full"
    bg={quiet ? "oat.50" : "glaze.600"}
    color={quiet ? "ink.700" : "white"}
    fontSize={quiet ? "12px" : "14px"}
    fontWeight="600"
    lineHeight="24px"
  >
    {children}
  </Box>
);
