import { Box } from "@chakra-ui/react";
import { useMemo } from "react";
import type { Severity, Spot } from "#core/check";
import { drawnPage, findPage } from "#core/document";
import type { Rect } from "#core/geometry";
import { bleedBox, type PageFormat, trimBox } from "#core/lab";
import { withoutBorder } from "#core/scene";
import { SeenPage } from "../../components/clipped-page.tsx";
import { useFacts } from "../../state/session/facts.ts";
import { useProject } from "../../state/session/hooks.ts";

const pictureW = 176;
const pictureH = 118;
/** Nearer than this one does not see where on the page it is. */
const leastShownMm = 70;
const edgeMm = 10;

/** The part of a page around a place, in the shape of the picture. */
function around(at: Rect, format: PageFormat): Rect {
  const page = bleedBox(format);
  const ratio = pictureW / pictureH;
  const w = Math.min(
    Math.max(leastShownMm, at.w + 2 * edgeMm, (at.h + 2 * edgeMm) * ratio),
    Math.max(page.w, page.h * ratio),
  );
  const h = w / ratio;
  const inside = (middle: number, size: number, from: number, all: number) =>
    size >= all ? from - (size - all) / 2 : Math.min(Math.max(from, middle - size / 2), from + all - size);
  return { x: inside(at.x + at.w / 2, w, page.x, page.w), y: inside(at.y + at.h / 2, h, page.y, page.h), w, h };
}

const markColours: Record<Severity, string> = {
  wrong: "var(--chakra-colors-clay-500)",
  doubt: "var(--chakra-colors-saffron-400)",
  hint: "var(--chakra-colors-glaze-500)",
};

/** The place as it prints, with a mark around it; what the cut takes is veiled. */
export function FindingPicture({ spot, weight }: { readonly spot: Spot; readonly weight: Severity }) {
  const project = useProject((s) => s.project);
  const facts = useFacts();
  const page = findPage(project, spot.pageId);
  const drawn = useMemo(
    () => page && withoutBorder(drawnPage(project, page, (id) => facts.photo(id)?.takenAt)),
    [project, page, facts],
  );
  if (!page || !drawn) return null;
  const { format } = drawn;
  const at = spot.at ?? trimBox(format);
  const box = around(at, format);
  const scale = pictureW / box.w;
  const trim = trimBox(format);
  const px = (r: Rect) => ({
    left: (r.x - box.x) * scale,
    top: (r.y - box.y) * scale,
    width: r.w * scale,
    height: r.h * scale,
  });
  return (
    <Box
      position="relative"
      w={`${pictureW}px`}
      h={`${pictureH}px`}
      overflow="hidden"
      borderRadius="thumb"
      bg="oat.300"
    >
      <SeenPage page={drawn} scale={scale} box={box} />
      <div
        style={{
          position: "absolute",
          ...px(trim),
          boxShadow: "0 0 0 400px rgb(178 71 42 / 30%)",
          pointerEvents: "none",
        }}
      />
      {spot.at && (
        <div
          style={{
            position: "absolute",
            ...px(spot.at),
            minWidth: 10,
            minHeight: 10,
            border: `2.5px solid ${markColours[weight]}`,
            borderRadius: 3,
            boxShadow: "0 0 0 1.5px white, inset 0 0 0 1.5px white",
          }}
        />
      )}
    </Box>
  );
}
