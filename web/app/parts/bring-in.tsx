import { Button, HStack, Text, VStack } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { FolderOpen, ImagePlus } from "lucide-react";
import { useRef } from "react";
import { z } from "zod";
import { photos as words } from "../../text/photos.ts";
import { useKit } from "../kit.ts";
import type { IncomingFile } from "../state/library.ts";
import { fromList } from "./intake.ts";

/** The two choosers: single files, and a folder with all that is in it. */
export function BringIn({ main = false }: { readonly main?: boolean }) {
  const { library } = useKit();
  const files = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const take = (input: HTMLInputElement) => {
    void fromList(input.files ?? []).then((list) => library.bringIn(list));
    // So that the same files can be chosen again.
    input.value = "";
  };
  return (
    <HStack gap="2">
      <Button variant={main ? "solid" : "outline"} size={main ? "lg" : "sm"} onClick={() => files.current?.click()}>
        <ImagePlus size={18} aria-hidden /> {words.addFiles}
      </Button>
      <Button variant="outline" size={main ? "lg" : "sm"} onClick={() => folder.current?.click()}>
        <FolderOpen size={18} aria-hidden /> {words.addFolder}
      </Button>
      <input
        ref={files}
        type="file"
        multiple
        hidden
        accept="image/*,.heic,.heif,.tif,.tiff,.zip"
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
}

const sampleIndex = z.object({ title: z.string(), photos: z.array(z.object({ file: z.string(), bytes: z.number() })) });

async function fetchSample() {
  const answer = await fetch("/sample");
  if (!answer.ok) return null;
  return sampleIndex.parse(await answer.json());
}

const ofSample = (name: string): IncomingFile => ({
  name,
  async open(signal) {
    const answer = await fetch(`/sample/photos/${encodeURIComponent(name)}`, { signal });
    if (!answer.ok) throw new Error(`sample photo ${name}: ${answer.status}`);
    return new File([await answer.blob()], name, { type: "image/jpeg", lastModified: Date.UTC(2026, 2, 24, 12) });
  },
});

/** One click to a library to look around with. */
export function TakeSample() {
  const { library } = useKit();
  const sample = useQuery({ queryKey: ["sample"], queryFn: fetchSample });
  if (sample.isPending) return null;
  if (!sample.data) return <Text color="fg.subtle">{words.sampleMissing}</Text>;
  const { title, photos } = sample.data;
  return (
    <VStack gap="1">
      <Button variant="outline" onClick={() => library.bringIn(photos.map((p) => ofSample(p.file)))}>
        {words.sample}
      </Button>
      <Text fontSize="14px" color="fg.subtle">
        {words.sampleLead(photos.length, title)}
      </Text>
    </VStack>
  );
}
