import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { ScanFace } from "lucide-react";
import { type PointerEvent, useRef, useState } from "react";
import { contained } from "#core/fit";
import { clamp, type Point } from "#core/geometry";
import { aspectOf, type FaceBox, type Focus, type Photo, pointOfFaces } from "#core/photo";
import { sheetWords as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { arrow } from "../../commands/keys.ts";
import { PhotoThumb } from "../../components/photo-thumb.tsx";
import { useServices } from "../../services.ts";

const room = { w: 300, h: 240 };
const nudge = 0.02;
const leastFace = 0.02;

/** The photo with what must be seen in it: a point to move, and boxes around faces to draw and delete. */
export function FocusEditor({ photo }: { readonly photo: Photo }) {
  const { library } = useServices();
  const [drawing, setDrawing] = useState(false);
  const [box, setBox] = useState<FaceBox>();
  const [moved, setMoved] = useState<Point>();
  const area = useRef<HTMLDivElement>(null);
  const size = contained(aspectOf(photo), room);
  const focus: Focus = photo.focus ?? { faces: [], point: { x: 0.5, y: 0.42 }, from: "interest" };
  const keep = (next: Omit<Focus, "from">) =>
    void library.edit("focused", [photo.id], (p) => ({ ...p, focus: { ...next, from: "you" } }));
  const keepFaces = (faces: readonly FaceBox[]) => keep({ faces, point: pointOfFaces(faces) ?? focus.point });

  const shareAt = (e: { clientX: number; clientY: number }): Point => {
    const r = area.current!.getBoundingClientRect();
    return { x: clamp((e.clientX - r.left) / r.width, 0, 1), y: clamp((e.clientY - r.top) / r.height, 0, 1) };
  };
  const follow = (e: PointerEvent<HTMLElement>, move: (at: Point) => void, end: (at: Point) => void) => {
    e.preventDefault();
    e.stopPropagation();
    const element = e.currentTarget;
    element.setPointerCapture(e.pointerId);
    const onMove = (ev: globalThis.PointerEvent) => move(shareAt(ev));
    const onEnd = (ev: globalThis.PointerEvent) => {
      element.removeEventListener("pointermove", onMove);
      element.removeEventListener("pointerup", onEnd);
      element.removeEventListener("pointercancel", onEnd);
      end(shareAt(ev));
    };
    element.addEventListener("pointermove", onMove);
    element.addEventListener("pointerup", onEnd);
    element.addEventListener("pointercancel", onEnd);
  };
  const draw = (e: PointerEvent<HTMLElement>) => {
    if (!drawing) return;
    const start = shareAt(e);
    follow(
      e,
      (at) => setBox(between(start, at)),
      (at) => {
        const face = between(start, at);
        setBox(undefined);
        setDrawing(false);
        if (face.w > leastFace && face.h > leastFace) keepFaces([...focus.faces, face]);
      },
    );
  };
  const onPointKey = hears("focusPoint", {
    movePoint: (e) => {
      const by = arrow(e, nudge);
      keep({
        faces: focus.faces,
        point: { x: clamp(focus.point.x + by.x, 0, 1), y: clamp(focus.point.y + by.y, 0, 1) },
      });
    },
  });
  const point = moved ?? focus.point;

  return (
    <Box>
      <Box
        ref={area}
        position="relative"
        mx="auto"
        w={`${size.w}px`}
        h={`${size.h}px`}
        borderRadius="thumb"
        overflow="hidden"
        cursor={drawing ? "crosshair" : undefined}
        touchAction="none"
        onPointerDown={draw}
      >
        <PhotoThumb photoId={photo.id} size="small" />
        {[...focus.faces, ...(box ? [box] : [])].map((f, i) => (
          <Box
            // biome-ignore lint/suspicious/noArrayIndexKey: boxes have no name but their place
            key={i}
            role="button"
            tabIndex={0}
            aria-label={words.face(i + 1)}
            onKeyDown={hears("face", { removeFace: () => keepFaces(focus.faces.filter((_, at) => at !== i)) })}
            position="absolute"
            border="2px solid white"
            boxShadow="0 0 0 1.5px {colors.glaze.500}"
            borderRadius="3px"
            style={{ left: `${f.x * 100}%`, top: `${f.y * 100}%`, width: `${f.w * 100}%`, height: `${f.h * 100}%` }}
          />
        ))}
        {!drawing && (
          <Box
            role="slider"
            tabIndex={0}
            aria-label={words.point}
            aria-valuenow={Math.round(point.x * 100)}
            aria-valuetext={`${Math.round(point.x * 100)} %, ${Math.round(point.y * 100)} %`}
            onKeyDown={onPointKey}
            onPointerDown={(e) =>
              follow(e, setMoved, (at) => {
                setMoved(undefined);
                keep({ faces: focus.faces, point: at });
              })
            }
            position="absolute"
            w="24px"
            h="24px"
            ml="-12px"
            mt="-12px"
            borderRadius="full"
            border="3px solid white"
            bg="rgba(23,117,126,.75)"
            boxShadow="0 0 0 1.5px {colors.glaze.600}"
            cursor="grab"
            style={{ left: `${point.x * 100}%`, top: `${point.y * 100}%` }}
          />
        )}
      </Box>
      <Text fontSize="13px" color="fg.subtle" mt="2">
        {photo.focus ? words.focusFrom[photo.focus.from] : words.focusPending} {words.focusHelp}
      </Text>
      <HStack mt="1.5" gap="2">
        <Button
          size="sm"
          variant="outline"
          aria-pressed={drawing}
          onClick={() => setDrawing(!drawing)}
          {...(drawing ? { bg: "glaze.50", borderColor: "glaze.500" } : {})}
        >
          <ScanFace size={16} aria-hidden /> {words.addFace}
        </Button>
        {photo.focus?.from === "you" && (
          <Button size="sm" variant="ghost" onClick={() => void library.lookAgain(photo.id)}>
            {words.lookAgain}
          </Button>
        )}
      </HStack>
    </Box>
  );
}

const between = (a: Point, b: Point): FaceBox => ({
  x: Math.min(a.x, b.x),
  y: Math.min(a.y, b.y),
  w: Math.abs(a.x - b.x),
  h: Math.abs(a.y - b.y),
});
