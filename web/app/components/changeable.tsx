import { chakra, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { keeping as words } from "../../text/index.ts";
import { useProject } from "../state/session/hooks.ts";

/** Controls that change the work: where it may only be looked at, none of them answers, and it is said why. */
export function Changeable({ children, quiet = false }: { readonly children: ReactNode; readonly quiet?: boolean }) {
  const readOnly = useProject((s) => s.readOnly);
  return (
    <chakra.fieldset disabled={readOnly} display="contents">
      {readOnly && !quiet && (
        <Text fontSize="14px" color="saffron.700" fontWeight="500" mb="3">
          {words.cannotHere}
        </Text>
      )}
      {children}
    </chakra.fieldset>
  );
}
