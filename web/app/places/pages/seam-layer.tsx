import { Box } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useState } from "react";
import { type SeamStretch, seamStretches } from "#core/arrange";
import { type Change, type Page, roomFor } from "#core/document";
import type { PageFormat } from "#core/lab";
import { pages as words } from "../../../text/pages.ts";
import { useSession } from "../../state/hooks.ts";
import { type PageView, placeOf } from "./page-view.ts";

interface SeamLayerProps {
  readonly view: PageView;
  readonly page: Page;
  readonly format: PageFormat;
}

/** Wide enough for a finger, however thin the gap is. */
const gripPx = 12;

/** The seams between tiles, to be dragged or moved by arrow keys; both sides follow. */
export function SeamLayer({ view, page, format }: SeamLayerProps) {
  const session = useSession();
  const [held, setHeld] = useState<{ readonly axis: string; readonly index: number }>();
  if (!page.arrangement) return null;
  const room = roomFor(page.look, format);
  const stretches = seamStretches(page.arrangement, room, page.look.gapMm);
  const tracks = page.arrangement;
  const change = (s: SeamStretch, atMm: number): Change => ({
    type: "moveSeam",
    pageId: page.id,
    axis: s.axis,
    index: s.index,
    atMm,
  });
  const firstOf = new Map(stretches.map((s) => [`${s.axis}${s.index}`, s] as const).reverse());

  const grab = (e: PointerEvent<HTMLElement>, s: SeamStretch) => {
    if (e.button !== 0) return;
    e.preventDefault();
    const handle = e.currentTarget;
    handle.focus();
    handle.setPointerCapture(e.pointerId);
    const across = s.axis === "columns";
    const start = across ? e.clientX : e.clientY;
    let atMm = s.at;
    setHeld(s);
    const move = (ev: globalThis.PointerEvent) => {
      atMm = s.at + ((across ? ev.clientX : ev.clientY) - start) / view.scale;
      session.preview([change(s, atMm)]);
    };
    const end = (ev: globalThis.PointerEvent) => {
      handle.removeEventListener("pointermove", move);
      handle.removeEventListener("pointerup", end);
      handle.removeEventListener("pointercancel", end);
      setHeld(undefined);
      if (ev.type === "pointerup" && atMm !== s.at) session.commit({ code: "movedSeam", count: 1 }, [change(s, atMm)]);
      else session.dropPreview();
    };
    handle.addEventListener("pointermove", move);
    handle.addEventListener("pointerup", end);
    handle.addEventListener("pointercancel", end);
  };

  const onKeyDown = (e: KeyboardEvent, s: SeamStretch) => {
    const [less, more] = s.axis === "columns" ? ["ArrowLeft", "ArrowRight"] : ["ArrowUp", "ArrowDown"];
    if (e.key !== less && e.key !== more) return;
    e.preventDefault();
    e.stopPropagation();
    const by = (e.key === more ? 1 : -1) * (e.shiftKey ? 5 : 1);
    session.commit({ code: "movedSeam", count: 1 }, [change(s, s.at + by)], `seam-${s.axis}-${s.index}`);
  };

  return (
    <Box position="absolute" inset="0" pointerEvents="none">
      {stretches.map((s) => {
        const across = s.axis === "columns";
        const grip = gripPx / view.scale;
        const rect = across
          ? { x: s.at - grip / 2, y: s.from, w: grip, h: s.to - s.from }
          : { x: s.from, y: s.at - grip / 2, w: s.to - s.from, h: grip };
        const main = firstOf.get(`${s.axis}${s.index}`) === s;
        const active = held?.axis === s.axis && held.index === s.index;
        const total = tracks[s.axis].slice(0, s.index + 1).reduce((a, b) => a + b, 0);
        return (
          <Box
            key={`${s.axis}${s.index}-${s.from.toFixed(3)}`}
            role="separator"
            aria-orientation={across ? "vertical" : "horizontal"}
            aria-valuenow={Math.round(total * 100)}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-label={words.seam(s.axis, s.index + 1)}
            aria-hidden={main ? undefined : true}
            tabIndex={main ? 0 : -1}
            position="absolute"
            pointerEvents="auto"
            cursor={across ? "col-resize" : "row-resize"}
            touchAction="none"
            style={placeOf(view, rect)}
            onPointerDown={(e) => grab(e, s)}
            onKeyDown={(e) => onKeyDown(e, s)}
            _before={{
              content: '""',
              position: "absolute",
              bg: "glaze.500",
              borderRadius: "full",
              opacity: active ? 1 : 0,
              ...(across
                ? { left: "50%", top: "0", bottom: "0", w: "3px", ml: "-1.5px" }
                : { top: "50%", left: "0", right: "0", h: "3px", mt: "-1.5px" }),
            }}
            _hover={{ _before: { opacity: 1 } }}
            _focusVisible={{ outline: "none", _before: { opacity: 1 } }}
          />
        );
      })}
    </Box>
  );
}
