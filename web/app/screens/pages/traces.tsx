import { Box } from "@chakra-ui/react";
import { useViewState } from "../../state/session/hooks.ts";
import { frameOf, type PageView } from "./page-view.ts";

/** Where tiles lay, over where they would lie. */
export function Traces({ view }: { readonly view: PageView }) {
  const traces = useViewState((s) => s.traces);
  return traces.map((frame, i) => (
    <Box
      // biome-ignore lint/suspicious/noArrayIndexKey: a trace has nothing but its place
      key={i}
      position="absolute"
      border="2px dashed"
      borderColor="glaze.500"
      boxShadow="0 0 0 1px white"
      pointerEvents="none"
      style={frameOf(view, frame)}
    />
  ));
}
