import { Box } from "@chakra-ui/react";
import { useStore } from "zustand";
import type { LassoBoxes } from "./use-lasso.ts";

/** The box while it is being drawn. */
export function LassoBox({ of }: { readonly of: LassoBoxes }) {
  const rect = useStore(of);
  if (!rect) return null;
  return (
    <Box
      position="fixed"
      pointerEvents="none"
      bg="rgba(23,117,126,.14)"
      border="1.5px solid"
      borderColor="glaze.500"
      zIndex="7"
      style={rect}
    />
  );
}
