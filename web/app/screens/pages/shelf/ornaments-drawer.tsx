import { Text } from "@chakra-ui/react";
import { useState } from "react";
import { shelf as words } from "../../../../text/index.ts";
import { useServices } from "../../../services.ts";
import { layFreely } from "../../../state/edit/materials.ts";
import { useLibrary, useSession } from "../../../state/session/hooks.ts";
import { CardStrip } from "./card-strip.tsx";
import { DrawerFrame } from "./drawer-frame.tsx";
import { Material } from "./material.tsx";
import { useDrawerPx } from "./shelf-size.ts";

/** Ornaments, to lie over the page. */
export function OrnamentsDrawer() {
  const services = useServices();
  const session = useSession();
  const all = useLibrary((s) => s.ornaments);
  const [at, setAt] = useState(0);
  const height = useDrawerPx();
  if (all.length === 0)
    return (
      <DrawerFrame>
        <Text px="4" fontSize="14px" color="fg.subtle" style={{ height }}>
          {words.noOrnaments}
        </Text>
      </DrawerFrame>
    );
  return (
    <DrawerFrame
      tools={
        <Text fontSize="13.5px" color="fg.subtle" truncate>
          {words.ornamentHelp}
        </Text>
      }
    >
      <CardStrip label={words.drawers.ornaments} count={all.length} stop={Math.min(at, all.length - 1)} onStop={setAt}>
        {all.map((m, i) => (
          <Material
            key={m.id}
            photo={m}
            section="ornaments"
            stop={i === at}
            onTake={() => layFreely(services, session, m.id)}
          />
        ))}
      </CardStrip>
    </DrawerFrame>
  );
}
