import { IconButton } from "@chakra-ui/react";
import { Keyboard } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import { walk } from "../../text/index.ts";
import { useKeys } from "../commands/hear.ts";
import { hint } from "../commands/shown.ts";
import { Tooltip } from "./tooltip.tsx";

const KeysList = lazy(() => import("./keys-list.tsx").then((m) => ({ default: m.KeysList })));

/** The way to the shortcuts of the place one is in. */
export function KeysSheet() {
  const [open, setOpen] = useState(false);
  useKeys("anywhere", { showKeys: () => setOpen(true) });
  return (
    <>
      <Tooltip words={hint(walk.shortcuts, "anywhere", "showKeys")}>
        <IconButton aria-label={walk.shortcuts} variant="ghost" size="sm" onClick={() => setOpen(true)}>
          <Keyboard size={19} />
        </IconButton>
      </Tooltip>
      {open && (
        <Suspense>
          <KeysList onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
