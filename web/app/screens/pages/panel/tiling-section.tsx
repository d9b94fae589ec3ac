import { Box, Button, HStack } from "@chakra-ui/react";
import { canBeCut, type TilingPattern, tilingPatterns } from "#core/arrange";
import { mainGroup, type Page, type Tiling, type TilingSettings } from "#core/document";
import { letFree, tiled } from "#core/edit";
import { free as freeWords, tilings as words } from "../../../../text/index.ts";
import { Beside } from "../../../components/field-label.tsx";
import { Bead, PanelSection } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { Toggle } from "../../../components/toggle.tsx";
import { useServices } from "../../../services.ts";
import { arrangePhotos, photosInGroup } from "../../../state/edit/arrange-photos.ts";
import { keep, show } from "../../../state/edit/tree-gestures.ts";
import { shapesIn } from "../../../state/library/aspects.ts";
import { useLibrary, useSession } from "../../../state/session/hooks.ts";

/** Which pattern a group's cells have, and what of it can be set. */
export function TilingSection({ page, tiling }: { readonly page: Page; readonly tiling: Tiling }) {
  const services = useServices();
  const session = useSession();
  const byId = useLibrary((s) => s.byId);
  const groupId = mainGroup(page)?.id ?? "";
  const { pattern, cut, sag } = tiling;
  const edit = (next: Partial<TilingSettings>) => tiled(groupId, { pattern, cut, sag, ...next }, shapesIn(services));
  const letGo = () => keep(session, "letFree", tiling.tileIds.length, (on) => letFree(on, groupId));
  const take = (next: Partial<TilingSettings>) => keep(session, "tiledGroup", tiling.tileIds.length, edit(next));
  return (
    <PanelSection title={words.section} folds="tiling">
      <Beside label={words.pattern}>
        <Select<TilingPattern>
          label={words.pattern}
          value={pattern}
          options={tilingPatterns.map((p) => [p, words.names[p]])}
          onChoose={(next) => take({ pattern: next })}
        />
      </Beside>
      {canBeCut.has(pattern) && (
        <Box mt="2">
          <Toggle label={words.toEdges} on={cut} onTurn={(on) => take({ cut: on })} />
        </Box>
      )}
      {pattern === "pennants" && (
        <Beside label={words.sag}>
          <Bead
            label={words.sag}
            value={sag}
            most={0.3}
            step={0.01}
            onMove={(next) => show(session, edit({ sag: next }))}
            onEnd={(next) => take({ sag: next })}
          />
        </Beside>
      )}
      <HStack mt="2" gap="1.5" wrap="wrap">
        <Button size="sm" px="2" variant="outline" title={words.matchMeans} onClick={() => take({})}>
          {words.match}
        </Button>
        <Button
          size="sm"
          px="2"
          variant="outline"
          onClick={() => arrangePhotos(services, session, photosInGroup(session, byId, groupId), { groupId })}
        >
          {words.straightAgain}
        </Button>
        <Button size="sm" px="2" variant="outline" onClick={() => letGo()}>
          {freeWords.letFree}
        </Button>
      </HStack>
    </PanelSection>
  );
}
