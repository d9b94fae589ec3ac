import { Box, Flex, Text } from "@chakra-ui/react";
import {
  CaretsToAxisDashedHorizontal,
  CaretsToAxisDashedVertical,
  FileInput,
  FileOutput,
  RotateCw,
  Save,
} from "lucide-react";
import { useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { useStore } from "zustand";
import {
  drawingOfTemplate,
  photoPlaces,
  shippedTemplates,
  type Template,
  type TemplateTurn,
  turned,
  unturned,
} from "#core/templates";
import { templateFile } from "#core/templates/schema";
import { templates as words } from "../../../../text/index.ts";
import { Act } from "../../../components/panel-parts.tsx";
import { notices } from "../../../notices/notices.ts";
import { useServices } from "../../../services.ts";
import { applyTemplate, countFlowing } from "../../../state/edit/apply-template.ts";
import { saveToDisk } from "../../../state/sending/save-to-disk.ts";
import { openPlaced, usePanel, useSession } from "../../../state/session/hooks.ts";
import { CardStrip } from "./card-strip.tsx";
import { DrawerFrame } from "./drawer-frame.tsx";
import { SaveTemplate } from "./save-template.tsx";
import { TemplateCard } from "./template-card.tsx";
import { found, type TemplateFilter } from "./template-filter.ts";
import { TemplateFilters } from "./template-filters.tsx";

/** All templates, narrowed to those that suit; each as a small picture of this very page laid out by it. */
export function TemplatesDrawer() {
  const services = useServices();
  const { templates } = services;
  const session = useSession();
  const page = usePanel(openPlaced);
  const { format } = page;
  const own = useStore(templates.state, (s) => s.own);
  const favourites = useStore(templates.state, (s) => s.favourites);
  const photos = countFlowing(services, page);
  const all = useMemo(() => [...own, ...shippedTemplates()], [own]);
  const [filter, setFilter] = useState<TemplateFilter>({
    text: "",
    photos: all.some((t) => photoPlaces(t) === photos) ? "page" : "any",
    family: "",
    shape: "any",
    starred: false,
  });
  const [turn, setTurn] = useState<TemplateTurn>(unturned);
  /** "page" for a new one from the page, or which of one's own is being changed. */
  const [saving, setSaving] = useState<"page" | Template>();
  const [at, setAt] = useState(0);
  const chooser = useRef<HTMLInputElement>(null);
  useEffect(() => void templates.load(), [templates]);
  const wanted = useDeferredValue(filter);
  const shown = useMemo(
    () => found(all, wanted, { format, photos, favourites, own }).map((t) => turned(t, turn)),
    [all, wanted, format, photos, favourites, own, turn],
  );
  const stop = Math.min(at, shown.length - 1);

  const bringIn = async (file: File | undefined) => {
    if (!file) return;
    const read = await templates.bringIn(file);
    if (read.ok) notices.create({ title: words.broughtIn(read.value.length), type: "success" });
    else notices.create({ title: words.trouble[read.code], type: "error" });
  };
  const takeOut = (some: readonly Template[], name: string) =>
    saveToDisk(new Blob([templateFile(some)], { type: "application/json" }), `${name}.json`);

  return (
    <DrawerFrame
      tools={
        <>
          <Act
            icon={CaretsToAxisDashedVertical}
            name={words.mirrorSides}
            pressed={turn.mirrorSides}
            onAct={() => setTurn({ ...turn, mirrorSides: !turn.mirrorSides })}
          />
          <Act
            icon={CaretsToAxisDashedHorizontal}
            name={words.mirrorUpside}
            pressed={turn.mirrorUpside}
            onAct={() => setTurn({ ...turn, mirrorUpside: !turn.mirrorUpside })}
          />
          <Act
            icon={RotateCw}
            name={words.quarter}
            pressed={turn.quarters > 0}
            onAct={() => setTurn({ ...turn, quarters: ((turn.quarters + 1) % 4) as TemplateTurn["quarters"] })}
          />
          <Act icon={FileInput} name={words.bringIn} onAct={() => chooser.current?.click()} />
          {own.length > 0 && <Act icon={FileOutput} name={words.takeOut} onAct={() => takeOut(own, "templates")} />}
          {page.tiles.length > 0 && <Act icon={Save} name={words.save} onAct={() => setSaving("page")} />}
        </>
      }
    >
      {saving && (
        <SaveTemplate page={page} of={saving === "page" ? undefined : saving} onClose={() => setSaving(undefined)} />
      )}
      <input
        ref={chooser}
        type="file"
        accept="application/json,.json,image/svg+xml,.svg"
        hidden
        onChange={(e) => {
          void bringIn(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
      <Flex onPointerLeave={() => session.dropPreview()}>
        <CardStrip label={words.title} count={shown.length} stop={stop} onStop={setAt}>
          {shown.length === 0 && (
            <Text fontSize="14px" color="fg.subtle" role="status" px="1">
              {words.none}
            </Text>
          )}
          {shown.map((template, i) => (
            <TemplateCard
              key={template.id}
              template={template}
              page={page}
              stop={i === stop}
              starred={favourites.has(template.id)}
              own={own.some((t) => t.id === template.id)}
              onLook={() => setAt(i)}
              onTake={() => applyTemplate(services, session, template)}
              onTakeOut={() => takeOut([template], template.name)}
              onDraw={() =>
                saveToDisk(new Blob([drawingOfTemplate(template)], { type: "image/svg+xml" }), `${template.name}.svg`)
              }
              onEdit={() => setSaving(own.find((t) => t.id === template.id))}
            />
          ))}
        </CardStrip>
        <Box w="250px" flexShrink="0" px="3" borderLeftWidth="1px" borderColor="oat.300">
          <TemplateFilters all={all} own={own.length > 0} photos={photos} filter={filter} onFilter={setFilter} />
        </Box>
      </Flex>
    </DrawerFrame>
  );
}
