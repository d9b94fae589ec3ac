import { Box } from "@chakra-ui/react";
import { memo, useEffect, useRef } from "react";
import { type Paper, paperFills } from "#core/artwork";
import { record, traceRect } from "#core/geometry";
import { paintStep } from "../../painters/canvas.ts";

interface PaperSwatchProps {
  readonly paper: Paper;
  /** In pixels of the screen. */
  readonly width: number;
  readonly height: number;
  /** How much of the paper is seen across it. */
  readonly acrossMm: number;
}

/** A piece of a paper, drawn once it is on screen. */
export const PaperSwatch = memo(function PaperSwatch({ paper, width, height, acrossMm }: PaperSwatchProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const dense = Math.min(2, window.devicePixelRatio || 1);
  useEffect(() => {
    const el = canvas.current;
    const ctx = el?.getContext("2d");
    if (!el || !ctx) return;
    const draw = () => {
      const k = (width * dense) / acrossMm;
      const area = { x: 0, y: 0, w: acrossMm, h: (acrossMm * height) / width };
      const place = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
      ctx.setTransform(k, 0, 0, k, 0, 0);
      const clip = record((to) => traceRect(area, to));
      paintStep(ctx, { draw: "paper", clip, ground: paper.colours[0]!, place, fills: paperFills(paper, area) }, {});
    };
    const seen = new IntersectionObserver((entries) => {
      if (!entries.some((e) => e.isIntersecting)) return;
      seen.disconnect();
      draw();
    });
    seen.observe(el);
    return () => seen.disconnect();
  }, [paper, width, height, acrossMm, dense]);
  return (
    <Box asChild display="block" bg="oat.100" style={{ width, height }}>
      <canvas ref={canvas} width={Math.round(width * dense)} height={Math.round(height * dense)} aria-hidden />
    </Box>
  );
});
