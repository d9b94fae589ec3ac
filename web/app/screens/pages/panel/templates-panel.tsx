import { Box, Button, Grid, HStack, IconButton, Input, Text } from "@chakra-ui/react";
import {
  CaretsToAxisDashedHorizontal,
  CaretsToAxisDashedVertical,
  FileInput,
  FileOutput,
  RotateCw,
  Save,
  Star,
  X,
} from "lucide-react";
import { useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { useStore } from "zustand";
import {
  type PageShape,
  pageShapes,
  photoPlaces,
  shippedTemplates,
  type Template,
  type TemplateTurn,
  turned,
  unturned,
} from "#core/templates";
import { templateFile } from "#core/templates/schema";
import { templates as words } from "../../../../text/index.ts";
import { Act, PanelTitle, pressedLook } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { notices } from "../../../notices/notices.ts";
import { useServices } from "../../../services.ts";
import { applyTemplate, countFlowing } from "../../../state/edit/apply-template.ts";
import { saveToDisk } from "../../../state/sending/save-to-disk.ts";
import { openPlaced, usePanel, useSession } from "../../../state/session/hooks.ts";
import { CardGrid } from "./card-grid.tsx";
import { SaveTemplate } from "./save-template.tsx";
import { TemplateCard } from "./template-card.tsx";
import { found, type TemplateFilter } from "./template-filter.ts";

/** All templates, narrowed to those that suit; each as a small picture of this very page laid out by it. */
export function TemplatesPanel() {
  const services = useServices();
  const { viewState, templates } = services;
  const session = useSession();
  const page = usePanel(openPlaced);
  const { format } = page;
  const own = useStore(templates.state, (s) => s.own);
  const favourites = useStore(templates.state, (s) => s.favourites);
  const photos = countFlowing(services, page.page);
  const all = useMemo(() => [...own, ...shippedTemplates()], [own]);
  const [filter, setFilter] = useState<TemplateFilter>({
    text: "",
    photos: all.some((t) => photoPlaces(t) === photos) ? "page" : "any",
    family: "",
    shape: "any",
    starred: false,
  });
  const [turn, setTurn] = useState<TemplateTurn>(unturned);
  const [saving, setSaving] = useState(false);
  const [at, setAt] = useState(0);
  const chooser = useRef<HTMLInputElement>(null);
  useEffect(() => void templates.load(), [templates]);
  const wanted = useDeferredValue(filter);
  const shown = useMemo(
    () => found(all, wanted, { format, photos, favourites, own }).map((t) => turned(t, turn)),
    [all, wanted, format, photos, favourites, own, turn],
  );
  const families = useMemo(() => [...new Set(all.map((t) => t.family).filter((f) => f !== ""))], [all]);
  const stop = Math.min(at, shown.length - 1);

  const bringIn = async (file: File | undefined) => {
    if (!file) return;
    const read = await templates.bringIn(file);
    if (read.ok) notices.create({ title: words.broughtIn(read.value.length), type: "success" });
    else notices.create({ title: words.trouble[read.code], type: "error" });
  };
  const takeOut = (some: readonly Template[], name: string) =>
    saveToDisk(new Blob([templateFile(some)], { type: "application/json" }), `${name}.json`);
  const set = (part: Partial<TemplateFilter>) => setFilter({ ...filter, ...part });

  return (
    <Box onPointerLeave={() => session.dropPreview()}>
      <HStack justify="space-between" align="start">
        <PanelTitle>{words.title}</PanelTitle>
        <IconButton
          size="sm"
          variant="ghost"
          aria-label={words.close}
          title={words.close}
          onClick={() => {
            session.dropPreview();
            viewState.setState({ templates: false });
          }}
        >
          <X size={18} />
        </IconButton>
      </HStack>
      {page.groups.length > 0 && (
        <Button size="sm" variant="outline" w="full" mb="3" onClick={() => setSaving(true)}>
          <Save size={16} aria-hidden /> {words.save}
        </Button>
      )}
      {saving && <SaveTemplate page={page} onClose={() => setSaving(false)} />}
      <Input
        size="sm"
        type="search"
        aria-label={words.search}
        placeholder={words.search}
        value={filter.text}
        onChange={(e) => set({ text: e.target.value })}
        bg="oat.25"
        borderColor="oat.400"
        mb="2"
      />
      <Grid templateColumns="1fr 1fr" gap="2" mb="2">
        <Select<string>
          label={words.forPhotos}
          value={filter.photos}
          options={[
            ["any", words.anyNumber],
            ...(photos > 0 ? ([["page", words.asOnPage(photos)]] as [string, string][]) : []),
            ...countsIn(all).map((n): [string, string] => [String(n), words.places(n)]),
          ]}
          onChoose={(v) => set({ photos: v })}
        />
        <Select<string>
          label={words.family}
          value={filter.family}
          options={[
            ["", words.allFamilies],
            ...(own.length > 0 ? ([["own", words.ownFamily]] as [string, string][]) : []),
            ...families.map((f): [string, string] => [f, f]),
          ]}
          onChoose={(family) => set({ family })}
        />
        <Select<PageShape | "any">
          label={words.shape}
          value={filter.shape}
          options={[["any", words.anyShape], ...pageShapes.map((s): [PageShape, string] => [s, words.shapes[s]])]}
          onChoose={(shape) => set({ shape })}
        />
        <Button
          size="sm"
          h="9"
          variant="outline"
          aria-pressed={filter.starred}
          onClick={() => set({ starred: !filter.starred })}
          {...pressedLook(filter.starred)}
        >
          <Star size={15} aria-hidden fill={filter.starred ? "currentColor" : "none"} /> {words.favourites}
        </Button>
      </Grid>
      <HStack gap="1.5" mb="3">
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
        <Box flex="1" />
        <Act icon={FileInput} name={words.bringIn} onAct={() => chooser.current?.click()} />
        {own.length > 0 && <Act icon={FileOutput} name={words.takeOut} onAct={() => takeOut(own, "templates")} />}
      </HStack>
      <input
        ref={chooser}
        type="file"
        accept="application/json,.json"
        hidden
        onChange={(e) => {
          void bringIn(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
      {shown.length === 0 && (
        <Text fontSize="14px" color="fg.subtle" role="status">
          {words.none}
        </Text>
      )}
      <CardGrid label={words.title} columns={2} count={shown.length} stop={stop} onStop={setAt}>
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
          />
        ))}
      </CardGrid>
      {shown.length > 0 && (
        <Text fontSize="13px" color="fg.subtle" mt="3">
          {words.help}
        </Text>
      )}
    </Box>
  );
}

const countsIn = (all: readonly Template[]): number[] => [...new Set(all.map(photoPlaces))].sort((a, b) => a - b);
