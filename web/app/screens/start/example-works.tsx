import { Box, Button } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { Sparkles } from "lucide-react";
import { useState } from "react";
import { example as words, work } from "../../../text/index.ts";
import { ProgressBar } from "../../components/progress-bar.tsx";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { useLabs } from "../../state/sending/use-labs.ts";
import { makeExamples } from "../../state/session/example-projects.ts";
import { useLibrary } from "../../state/session/hooks.ts";
import { projectsChanged, useProjects } from "../../state/session/use-projects.ts";

const leastPhotos = 100;
const sampleName = /^(HLD|PX)_\d{4}\.(jpg|heic)$/i;

/** With the sample photos there and no works yet: works to look around in, too. */
export function ExampleWorks() {
  const services = useServices();
  const queries = useQueryClient();
  const labs = useLabs();
  const photos = useLibrary((s) => s.photos);
  const works = useProjects();
  const [share, setShare] = useState<number>();
  const lab = labs.data?.find((l) => l.id === "otterbourne-books");
  const made = works.data?.cards.some((c) => c.project.name === words.bookName) ?? true;
  const isSample = photos.filter((p) => sampleName.test(p.name)).length >= leastPhotos;
  if (!lab || made || !isSample) return null;

  async function make() {
    if (!lab) return;
    setShare(0);
    try {
      await makeExamples(services, lab, setShare);
      await projectsChanged(queries);
      notices.create({ title: words.made, type: "success" });
    } catch {
      notices.create({ title: work.failed, type: "error" });
    } finally {
      setShare(undefined);
    }
  }

  if (share !== undefined)
    return (
      <Box w="200px">
        <ProgressBar label={words.making} value={Math.round(share * 100)} />
      </Box>
    );
  return (
    <Button variant="ghost" title={words.lead} onClick={() => void make()}>
      <Sparkles size={17} aria-hidden /> {words.make}
    </Button>
  );
}
