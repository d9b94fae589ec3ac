import { Button, HStack, IconButton, Text, VStack } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { FolderOpen, ImagePlus } from "lucide-react";
import { memo, useRef } from "react";
import { z } from "zod";
import type { Section } from "#core/photo";
import { photos as words } from "../../text/index.ts";
import { useServices } from "../services.ts";
import type { IncomingFile } from "../state/library/library-state.ts";
import { fromList } from "./import-files.ts";
import { Tooltip } from "./tooltip.tsx";

/** The two choosers: single files, and a folder with all that is in it. */
export const BringIn = memo(function BringIn({
  main = false,
  section = "photos",
}: {
  readonly main?: boolean;
  readonly section?: Section;
}) {
  const { library } = useServices();
  const files = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const take = (input: HTMLInputElement) => {
    void fromList(input.files ?? []).then((list) => library.bringIn(list, section));
    // So that the same files can be chosen again.
    input.value = "";
  };
  const size = main ? "lg" : "sm";
  return (
    <HStack gap="2">
      <Button variant={main ? "solid" : "outline"} size={size} onClick={() => files.current?.click()}>
        <ImagePlus size={18} aria-hidden /> {words.addFiles[section]}
      </Button>
      {main ? (
        <Button variant="outline" size={size} onClick={() => folder.current?.click()}>
          <FolderOpen size={18} aria-hidden /> {words.addFolder}
        </Button>
      ) : (
        <Tooltip words={words.addFolder}>
          <IconButton
            aria-label={words.addFolder}
            variant="outline"
            size={size}
            onClick={() => folder.current?.click()}
          >
            <FolderOpen size={18} aria-hidden />
          </IconButton>
        </Tooltip>
      )}
      <input
        ref={files}
        type="file"
        multiple
        hidden
        accept={section === "photos" ? "image/*,.heic,.heif,.tif,.tiff,.zip" : "image/png,image/jpeg,.svg,.zip"}
        data-testid="choose-files"
        onChange={(e) => take(e.currentTarget)}
      />
      <input
        ref={folder}
        type="file"
        multiple
        hidden
        data-testid="choose-folder"
        {...{ webkitdirectory: "" }}
        onChange={(e) => take(e.currentTarget)}
      />
    </HStack>
  );
});

const files = z.array(z.object({ file: z.string(), bytes: z.number() }));
const sampleIndex = z.object({ title: z.string(), photos: files, papers: files, ornaments: files });

async function fetchSample() {
  const answer = await fetch("/sample");
  if (!answer.ok) return null;
  return sampleIndex.parse(await answer.json());
}

/** A connection that stalls for longer is given up; once it is tried anew. */
const stalledMs = 20_000;

async function fetchOnce(name: string, signal: AbortSignal): Promise<Blob> {
  const given = AbortSignal.any([signal, AbortSignal.timeout(stalledMs)]);
  const answer = await fetch(`/sample/files/${encodeURIComponent(name)}`, { signal: given });
  if (!answer.ok) throw new Error(`sample photo ${name}: ${answer.status}`);
  return answer.blob();
}

const ofSample = (name: string): IncomingFile => ({
  name,
  async open(signal) {
    const blob = await fetchOnce(name, signal).catch((e: unknown) => {
      if (signal.aborted) throw e;
      return fetchOnce(name, signal);
    });
    return new File([blob], name, { type: blob.type, lastModified: Date.UTC(2026, 2, 24, 12) });
  },
});

/** One click to a library to look around with. */
export function TakeSample({ section = "photos" }: { readonly section?: Section }) {
  const { library } = useServices();
  const sample = useQuery({ queryKey: ["sample"], queryFn: fetchSample });
  if (sample.isPending) return null;
  if (!sample.data) return <Text color="fg.subtle">{words.sampleMissing}</Text>;
  const { title, [section]: list } = sample.data;
  return (
    <VStack gap="1">
      <Button
        variant="outline"
        onClick={() =>
          library.bringIn(
            list.map((p) => ofSample(p.file)),
            section,
          )
        }
      >
        {words.sample[section]}
      </Button>
      <Text fontSize="14px" color="fg.subtle">
        {words.sampleLead[section](list.length, title)}
      </Text>
    </VStack>
  );
}
