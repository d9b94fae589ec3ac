import { Button, Grid, Input } from "@chakra-ui/react";
import { Star } from "lucide-react";
import { useMemo } from "react";
import { type PageShape, pageShapes, photoPlaces, type Template } from "#core/templates";
import { templates as words } from "../../../../text/index.ts";
import { pressedLook } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import type { TemplateFilter } from "./template-filter.ts";

interface TemplateFiltersProps {
  readonly all: readonly Template[];
  /** Whether any of them is of one's own. */
  readonly own: boolean;
  /** How many photos are on the page. */
  readonly photos: number;
  readonly filter: TemplateFilter;
  readonly onFilter: (filter: TemplateFilter) => void;
}

/** Narrows templates to those with a name, a number of photos, a family, a shape, a star. */
export function TemplateFilters({ all, own, photos, filter, onFilter }: TemplateFiltersProps) {
  const set = (part: Partial<TemplateFilter>) => onFilter({ ...filter, ...part });
  const families = useMemo(() => [...new Set(all.map((t) => t.family).filter((f) => f !== ""))], [all]);
  return (
    <>
      <Input
        size="sm"
        type="search"
        aria-label={words.search}
        placeholder={words.search}
        value={filter.text}
        onChange={(e) => set({ text: e.target.value })}
        bg="oat.25"
        borderColor="oat.400"
        mb="1.5"
      />
      <Grid templateColumns="1fr 1fr" gap="1.5" mb="2">
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
            ...(own ? ([["own", words.ownFamily]] as [string, string][]) : []),
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
    </>
  );
}

const countsIn = (all: readonly Template[]): number[] => [...new Set(all.map(photoPlaces))].sort((a, b) => a - b);
