import { Box, Button, HStack, Text, VStack } from "@chakra-ui/react";
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceAround,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceAround,
  BringToFront,
  ChevronDown,
  ChevronUp,
  type LucideIcon,
  MoveHorizontal,
  MoveVertical,
  RotateCcw,
  RotateCw,
  SendToBack,
} from "lucide-react";
import { useState } from "react";
import {
  areWords,
  type Frame,
  freeTiles,
  type Page,
  type PlacedTile,
  type StepCode,
  withFreeAtBack,
  withFreeAtFront,
} from "#core/document";
import {
  type Alignment,
  aligned,
  alignments,
  alongEdges,
  boundsOf,
  inRowsAndColumns,
  leastFrameMm,
  madeAs,
  pieceMoved,
  roundAPoint,
  sharedOut,
  straightened,
} from "#core/edit";
import { inset } from "#core/geometry";
import { trimBox } from "#core/lab";
import { free as words } from "../../../../text/index.ts";
import { CountField } from "../../../components/count-field.tsx";
import { LengthField } from "../../../components/length-field.tsx";
import { NumberField } from "../../../components/number-field.tsx";
import { Act, PanelSection } from "../../../components/panel-parts.tsx";
import { Segmented } from "../../../components/segmented.tsx";
import { Toggle } from "../../../components/toggle.tsx";
import { useServices } from "../../../services.ts";
import { copiesAt, editFrames } from "../../../state/edit/free-gestures.ts";
import { keep } from "../../../state/edit/tree-gestures.ts";
import { openPlaced, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { FreeShapes } from "./free-shapes.tsx";

/** Where tiles that lie freely are, by number, and how they lie to each other and to the page. */
export function FreePlace({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const [only, more] = tiles;
  return (
    <PanelSection title={words.place} folds="free-place">
      <VStack align="stretch" gap="2.5">
        {only && !more && <Numbers tile={only} />}
        {tiles.some((t) => t.filling.kind === "photo") && <PhotoStays />}
        <InOrder ids={tiles.map((t) => t.id)} />
        <Align tiles={tiles} />
        {!tiles.some(areWords) && <FreeShapes tiles={tiles} />}
      </VStack>
    </PanelSection>
  );
}

/** Whether box and photo are moved together or apart. */
function PhotoStays() {
  const { viewState } = useServices();
  const stays = useViewState((s) => s.photoStays);
  return <Toggle label={words.photoStays} on={stays} onTurn={(on) => viewState.setState({ photoStays: on })} />;
}

function Numbers({ tile }: { readonly tile: PlacedTile }) {
  const services = useServices();
  const session = useSession();
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const f = tile.frame;
  // From where it lies now: what a panel shows may be a moment older.
  const put = (code: StepCode, change: (now: Frame) => Frame) => {
    editFrames(services, session, code, (frames) => frames.map(change));
    return undefined;
  };
  const length = (label: string, mm: number, code: StepCode, change: (now: Frame, mm: number) => Frame) => (
    <LengthField label={label} mm={mm} unit={unit} ppi={format.ppi} onMm={(v) => put(code, (now) => change(now, v))} />
  );
  const turned = (change: (turn: number) => number) =>
    put("turnedTiles", (now) => ({ ...now, turn: straightened(change(now.turn)) }));
  return (
    <>
      <HStack gap="2">
        {length(words.left, f.centre.x - f.width / 2, "movedFree", (now, mm) => ({
          ...now,
          centre: { ...now.centre, x: mm + now.width / 2 },
        }))}
        {length(words.top, f.centre.y - f.height / 2, "movedFree", (now, mm) => ({
          ...now,
          centre: { ...now.centre, y: mm + now.height / 2 },
        }))}
      </HStack>
      <HStack gap="2">
        {length(words.width, f.width, "sizedTiles", (now, mm) => fromTopLeft(now, { width: mm }))}
        {length(words.height, f.height, "sizedTiles", (now, mm) => fromTopLeft(now, { height: mm }))}
      </HStack>
      <HStack gap="2" align="end">
        <NumberField
          label={words.turn}
          value={straightened(f.turn)}
          least={-180}
          most={180}
          step={1}
          onNumber={(turn) => turned(() => turn)}
        />
        <Act icon={RotateCcw} name={words.quarterLeft} onAct={() => turned((t) => t - 90)} />
        <Act icon={RotateCw} name={words.quarterRight} onAct={() => turned((t) => t + 90)} />
      </HStack>
    </>
  );
}

/** Another width or height, with the left and the upper side where they are. */
function fromTopLeft(now: Frame, size: { readonly width?: number; readonly height?: number }): Frame {
  const width = Math.max(leastFrameMm, size.width ?? now.width);
  const height = Math.max(leastFrameMm, size.height ?? now.height);
  const centre = { x: now.centre.x + (width - now.width) / 2, y: now.centre.y + (height - now.height) / 2 };
  return { ...now, width, height, centre };
}

/** What lies over and under what. */
function InOrder({ ids }: { readonly ids: readonly string[] }) {
  const session = useSession();
  const page = usePanel(openPage);
  if (freeTiles(page).length < 2 && page.pieces.length < 2) return null;
  // Among themselves they stay as they lie: what goes back starts with the foremost, what comes forward too, one at a time.
  const inOrder = freeTiles(page).flatMap((t) => (ids.includes(t.id) ? [t.id] : []));
  const each = (edit: (page: Page, id: string) => Page, from: "front" | "back") =>
    keep(session, "movedPiece", ids.length, (on) =>
      (from === "front" ? inOrder.toReversed() : inOrder).reduce((now, id) => edit(now, id), on.page),
    );
  return (
    <HStack gap="1" role="group" aria-label={words.order}>
      <Act grows icon={BringToFront} name={words.toFront} onAct={() => each(withFreeAtFront, "back")} />
      <Act grows icon={ChevronUp} name={words.forward} onAct={() => each((p, id) => pieceMoved(p, id, 1), "front")} />
      <Act
        grows
        icon={ChevronDown}
        name={words.backward}
        onAct={() => each((p, id) => pieceMoved(p, id, -1), "back")}
      />
      <Act grows icon={SendToBack} name={words.toBack} onAct={() => each(withFreeAtBack, "front")} />
    </HStack>
  );
}

const icons: Readonly<Record<Alignment, LucideIcon>> = {
  left: AlignStartVertical,
  centre: AlignCenterVertical,
  right: AlignEndVertical,
  top: AlignStartHorizontal,
  middle: AlignCenterHorizontal,
  bottom: AlignEndHorizontal,
};

const references = ["each", "page", "last"] as const;

function Align({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const services = useServices();
  const session = useSession();
  const { format } = usePanel(openPlaced);
  const last = useViewState((s) => s.tiles.anchor);
  const [asked, setAsked] = useState<(typeof references)[number]>("each");
  const several = tiles.length > 1;
  const to = several ? asked : "page";
  const lastFrame = (tiles.find((t) => t.id === last) ?? tiles.at(-1)!).frame;
  const edit = (change: (frames: readonly Frame[]) => readonly Frame[]) =>
    editFrames(services, session, "alignedTiles", change);
  const reference = (frames: readonly Frame[]) =>
    to === "page" ? trimBox(format) : boundsOf(to === "last" ? [lastFrame] : frames);
  return (
    <>
      {several && (
        <Text fontSize="14px" fontWeight="500" color="fg.muted" mb="-1.5">
          {words.alignTo}
        </Text>
      )}
      {several && (
        <Segmented
          tight
          label={words.alignTo}
          value={asked}
          options={references.map((r) => [r, words.to[r]])}
          onChoose={setAsked}
        />
      )}
      <HStack gap="1" role="group" aria-label={words.align}>
        {alignments.map((how) => (
          <Act
            key={how}
            grows
            icon={icons[how]}
            name={words.alignments[how]}
            onAct={() => edit((frames) => aligned(frames, reference(frames), how))}
          />
        ))}
      </HStack>
      {several && (
        <HStack gap="1">
          <Act
            grows
            icon={AlignHorizontalSpaceAround}
            name={words.shareAcross}
            disabled={tiles.length < 3}
            onAct={() => edit((frames) => sharedOut(frames, "x"))}
          />
          <Act
            grows
            icon={AlignVerticalSpaceAround}
            name={words.shareDown}
            disabled={tiles.length < 3}
            onAct={() => edit((frames) => sharedOut(frames, "y"))}
          />
          <Act
            grows
            icon={MoveHorizontal}
            name={words.asWide}
            onAct={() => edit((f) => madeAs(f, lastFrame, "width"))}
          />
          <Act
            grows
            icon={MoveVertical}
            name={words.asHigh}
            onAct={() => edit((f) => madeAs(f, lastFrame, "height"))}
          />
        </HStack>
      )}
    </>
  );
}

/** The same tile many times: in columns and rows a step apart, or round the middle of the page. */
export function Copies({ tile }: { readonly tile: PlacedTile }) {
  const services = useServices();
  const session = useSession();
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const [columns, setColumns] = useState(3);
  const [rows, setRows] = useState(1);
  const [gap, setGap] = useState(5);
  const [count, setCount] = useState(6);
  const bounds = boundsOf([tile.frame]);
  const grid = inRowsAndColumns(tile.frame, { columns, rows, step: { x: bounds.w + gap, y: bounds.h + gap } });
  const ring = roundAPoint(tile.frame, { about: { x: format.widthMm / 2, y: format.heightMm / 2 }, count });
  const inward = boundsOf([{ ...tile.frame, turn: 0 }]).h / 2 + gap;
  const edge = alongEdges(tile.frame, inset(trimBox(format), inward), gap);
  const make = (frames: readonly Frame[]) => {
    const own = freeTiles(openPage(session.state.getState())).find((t) => t.id === tile.id);
    if (own) copiesAt(services, session, own, frames);
  };
  return (
    <PanelSection title={words.copies} folds="copies" folded>
      <VStack align="stretch" gap="2.5">
        <HStack gap="2" align="end">
          <CountField label={words.columns} value={columns} onCount={(n) => setColumns(n ?? 1)} />
          <CountField label={words.rows} value={rows} onCount={(n) => setRows(n ?? 1)} />
          <LengthField
            label={words.gapBetween}
            mm={gap}
            unit={unit}
            ppi={format.ppi}
            onMm={(mm) => {
              setGap(mm);
              return undefined;
            }}
          />
        </HStack>
        <Button size="sm" variant="outline" disabled={grid.length === 0} onClick={() => make(grid)}>
          {words.makeCopies(grid.length)}
        </Button>
        <Text fontSize="14px" fontWeight="500" color="fg.muted">
          {words.round}
        </Text>
        <HStack gap="2" align="end">
          <Box w="84px">
            <CountField label={words.howMany} value={count} onCount={(n) => setCount(n ?? 1)} />
          </Box>
          <Button size="sm" variant="outline" flex="1" onClick={() => make(ring)}>
            {words.makeRing}
          </Button>
        </HStack>
        <Button size="sm" variant="outline" disabled={edge.length === 0} onClick={() => make(edge)}>
          {words.makeEdge(edge.length)}
        </Button>
      </VStack>
    </PanelSection>
  );
}
