import { Box, Button, Flex, HStack, IconButton, Text } from "@chakra-ui/react";
import { ChevronLeft, ChevronRight, MapPin, X } from "lucide-react";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { hasFacingPages, pageCount } from "#core/document";
import { reading as words } from "../../../text/index.ts";
import { useKeys } from "../../commands/hear.ts";
import { SeenPage } from "../../components/clipped-page.tsx";
import { NotePins } from "../../components/notes/note-pins.tsx";
import { notesPx } from "../../components/notes/notes-aside.tsx";
import { NotesButton } from "../../components/notes/notes-button.tsx";
import { PointLayer } from "../../components/notes/point-layer.tsx";
import { useMergedRefs, useSizeOf } from "../../components/size-of.ts";
import { HandLayer } from "../../components/zoom/hand-layer.tsx";
import { useZoom } from "../../components/zoom/use-zoom.ts";
import { seenPart } from "../../components/zoom/zoom.ts";
import { ZoomControl } from "../../components/zoom/zoom-control.tsx";
import { useServices } from "../../services.ts";
import { useFacts } from "../../state/session/facts.ts";
import { useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { type LeafView, type ReadingView, readingViews } from "../../state/session/reading-views.ts";

const turnMs = 520;
/** Beside the pages the arrows have room that turn them. */
const table = { w: 60, h: 12 };

interface Turn {
  readonly from: ReadingView;
  readonly to: ReadingView;
  readonly by: 1 | -1;
}

/** The work as it will lie in the hand: opening by opening, after the cut, with notes pinned where they are meant. */
export function ReadingScreen() {
  const { viewState } = useServices();
  const session = useSession();
  const navigate = useNavigate();
  const { projectId } = useParams();
  const project = useProject((s) => s.project);
  const openId = useProject((s) => s.pageId);
  const facts = useFacts();
  const views = useMemo(() => readingViews(project, (id) => facts.photo(id)?.takenAt), [project, facts]);
  const [at, setAt] = useState(() => {
    const found = views.findIndex((v) => v.left?.pageId === openId || v.right?.pageId === openId);
    return project.cover?.id === openId ? 0 : Math.max(0, found);
  });
  const [turn, setTurn] = useState<Turn>();
  const { open: noting, pointing } = useViewState((s) => s.notes);
  const [sizeRef, room] = useSizeOf();
  const [element, setElement] = useState<HTMLElement | null>(null);
  const ref = useMergedRefs(sizeRef, setElement);
  const view = views[Math.min(at, views.length - 1)]!;
  const leave = useCallback(() => {
    const shown = view.left ?? view.right;
    if (shown) session.goTo(shown.pageId);
    void navigate(`/work/${projectId}/pages`);
  }, [view, session, navigate, projectId]);
  const go = useCallback(
    (by: 1 | -1) => {
      const next = views[at + by];
      if (!next || turn) return;
      const still = window.matchMedia("(prefers-reduced-motion: reduce)").matches;
      if (!still) {
        setTurn({ from: view, to: next, by });
        setTimeout(() => setTurn(undefined), turnMs);
      }
      setAt(at + by);
    },
    [views, at, turn, view],
  );
  const setPointing = (next: boolean) => viewState.setState((s) => ({ notes: { ...s.notes, pointing: next } }));
  useKeys("reading", {
    turn: () => go(1),
    turnBack: () => go(-1),
    toFirst: () => setAt(0),
    toLast: () => setAt(views.length - 1),
    leave: () => (pointing ? setPointing(false) : leave()),
  });
  // A note that was gone to may lie on any page.
  const shownId = useRef(openId);
  useEffect(() => {
    if (shownId.current === openId) return;
    shownId.current = openId;
    const found = views.findIndex((v) => v.left?.pageId === openId || v.right?.pageId === openId);
    if (found >= 0) setAt(found);
  }, [openId, views]);

  const both = hasFacingPages(project);
  const tall = Math.max(...views.map((v) => (v.left ?? v.right)!.box.h));
  const wide = Math.max(...views.map((v) => (v.right ?? v.left)!.box.w));
  const across = both ? 2 * wide : wide;
  const zooming = useZoom({ content: { w: across, h: tall }, room, pad: table, ppi: project.format.ppi, element });
  const { laid } = zooming;
  const scale = laid?.scale ?? 0;
  const widthOf = (leaf: LeafView | undefined) => (leaf ? leaf.box.w : both ? wide : 0);
  const leafBox = (leaf: LeafView | undefined, live: boolean, fromMm = 0) =>
    leaf ? (
      <Box
        position="relative"
        flexShrink="0"
        w={`${leaf.box.w * scale}px`}
        h={`${leaf.box.h * scale}px`}
        bg="white"
        data-leaf={live ? leaf.pageId : undefined}
      >
        <SeenPage
          page={leaf.page}
          scale={scale}
          box={leaf.box}
          {...(live && laid && room
            ? {
                seen: seenPart(
                  leaf.box,
                  laid.leftPx + fromMm * scale,
                  laid.topPx + ((tall - leaf.box.h) / 2) * scale,
                  scale,
                  room,
                ),
              }
            : {})}
        />
        {live && <NotePins pageId={leaf.pageId} box={leaf.box} scale={scale} />}
        {live && <PointLayer pageId={leaf.pageId} box={leaf.box} scale={scale} />}
      </Box>
    ) : (
      <Box flexShrink="0" w={both ? `${wide * scale}px` : "0"} />
    );
  const [left, right] = under(view, turn);
  const startMm = (across - widthOf(left) - widthOf(right)) / 2;

  return (
    <Flex position="fixed" inset="0" zIndex="1300" direction="column" bg="mat.dark" color="oat.100">
      <HStack px="5" py="3" justify="space-between" pr={noting ? `${notesPx + 20}px` : "5"}>
        <Text fontWeight="600" role="status" fontVariantNumeric="tabular-nums">
          {view.from === 0 ? words.cover : words.at(view.from, view.to, pageCount(project.pages))}
        </Text>
        <HStack gap="2">
          <Box
            color="oat.50"
            css={{
              "& button": { color: "inherit" },
              "& button:hover, & button[aria-expanded=true]": { background: "ink.700" },
            }}
          >
            <NotesButton />
          </Box>
          <Button
            size="sm"
            variant="outline"
            bg="transparent"
            _hover={{ bg: "ink.700" }}
            color="oat.50"
            aria-pressed={pointing}
            onClick={() => setPointing(!pointing)}
          >
            <MapPin size={16} aria-hidden /> {pointing ? words.noteHelp : words.note}
          </Button>
          <Button
            size="sm"
            variant="outline"
            bg="transparent"
            color="oat.50"
            _hover={{ bg: "ink.700" }}
            onClick={leave}
          >
            <X size={16} aria-hidden /> {words.close}
          </Button>
        </HStack>
      </HStack>
      <Box
        ref={ref}
        flex="1"
        minH="0"
        position="relative"
        overflow="hidden"
        mr={noting ? `${notesPx}px` : "0"}
        onPointerDown={pointing ? undefined : zooming.grab}
      >
        {laid && (
          <Flex
            position="absolute"
            align="center"
            justify="center"
            style={{
              left: laid.leftPx,
              top: laid.topPx,
              width: laid.widthPx,
              height: laid.heightPx,
              perspective: "2400px",
            }}
          >
            <Flex position="relative" boxShadow="lifted" data-testid="reading">
              {leafBox(left, !turn, startMm)}
              {leafBox(right, !turn, startMm + widthOf(left))}
              {turn && both && <TurningLeaf turn={turn} wide={wide * scale} face={(leaf) => leafBox(leaf, false)} />}
              {both && (
                <Box
                  position="absolute"
                  left="50%"
                  top="0"
                  bottom="0"
                  w="36px"
                  ml="-18px"
                  pointerEvents="none"
                  bg={foldShade}
                />
              )}
            </Flex>
          </Flex>
        )}
        <HandLayer zooming={zooming} />
        <Turner name={words.back} side="left" able={at > 0} onTurn={() => go(-1)} />
        <Turner name={words.next} side="right" able={at < views.length - 1} onTurn={() => go(1)} />
      </Box>
      <HStack h="34px" justify="center">
        <ZoomControl zooming={zooming} ink="oat.100" />
      </HStack>
    </Flex>
  );
}

const foldShade =
  "linear-gradient(90deg, transparent, rgba(20,20,16,.16) 46%, rgba(20,20,16,.26) 50%, rgba(20,20,16,.16) 54%, transparent)";

/** What lies under a leaf that is being turned: on one side what it uncovers, on the other what it will cover. */
function under(view: ReadingView, turn: Turn | undefined): readonly [LeafView | undefined, LeafView | undefined] {
  if (!turn) return [view.left, view.right];
  return turn.by === 1 ? [turn.from.left, turn.to.right] : [turn.to.left, turn.from.right];
}

interface TurningLeafProps {
  readonly turn: Turn;
  readonly wide: number;
  readonly face: (leaf: LeafView | undefined) => React.ReactNode;
}

/** One leaf on its way over, with both of its faces. */
function TurningLeaf({ turn, wide, face }: TurningLeafProps) {
  const forward = turn.by === 1;
  const [front, back] = forward ? [turn.from.right, turn.to.left] : [turn.to.right, turn.from.left];
  return (
    <Box
      position="absolute"
      top="0"
      left="50%"
      w={`${wide}px`}
      transformOrigin="0 50%"
      transformStyle="preserve-3d"
      animation={`${forward ? "leafOver" : "leafBack"} ${turnMs}ms ease-in-out both`}
      css={{
        "@keyframes leafOver": { from: { transform: "rotateY(0deg)" }, to: { transform: "rotateY(-180deg)" } },
        "@keyframes leafBack": { from: { transform: "rotateY(-180deg)" }, to: { transform: "rotateY(0deg)" } },
      }}
      aria-hidden
    >
      <Box css={{ backfaceVisibility: "hidden" }}>{face(front)}</Box>
      <Box position="absolute" inset="0" transform="rotateY(180deg)" css={{ backfaceVisibility: "hidden" }}>
        {face(back)}
      </Box>
    </Box>
  );
}

interface TurnerProps {
  readonly name: string;
  readonly side: "left" | "right";
  readonly able: boolean;
  readonly onTurn: () => void;
}

function Turner({ name, side, able, onTurn }: TurnerProps) {
  const Icon = side === "left" ? ChevronLeft : ChevronRight;
  return (
    <IconButton
      aria-label={name}
      disabled={!able}
      onClick={onTurn}
      variant="ghost"
      color="oat.100"
      position="absolute"
      {...{ [side]: "8px" }}
      top="50%"
      mt="-36px"
      zIndex="7"
      h="72px"
      w="44px"
      bg="rgba(20, 20, 16, .35)"
      _hover={{ bg: "ink.700" }}
    >
      <Icon size={30} />
    </IconButton>
  );
}
