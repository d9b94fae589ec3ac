import { Button } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { useStore } from "zustand";
import type { Happened } from "../../storage/keeper-report.ts";
import type { Keeping } from "../../storage/keeping.ts";
import { common, safeFolder as folderWords, keeping as words } from "../../text/index.ts";
import { notices } from "../notices/notices.ts";
import { useServices } from "../services.ts";
import { projectsChanged } from "../state/session/use-projects.ts";
import { Strip } from "./strip.tsx";

/** What became of that which is kept: the disk is full, something was lost and made again. */
export function KeptStrips() {
  const { keeping } = useServices();
  return keeping ? <Strips keeping={keeping} /> : null;
}

function Strips({ keeping }: { readonly keeping: Keeping }) {
  const queries = useQueryClient();
  const { full, trouble, happened } = useStore(keeping.state);
  const { library, ownFonts } = useServices();
  useEffect(() => {
    let told = "";
    return keeping.folderState.subscribe(({ report }) => {
      if (!report) return;
      const { works, photos, copies } = report;
      // One round may be told of twice: to who asked for it, and to all.
      const what = JSON.stringify([works, photos, copies]);
      if (what === told) return;
      told = what;
      if (works.length + photos + copies.length === 0) return;
      void Promise.all([library.load(), ownFonts.load()]).then(() => projectsChanged(queries));
      if (works.length + photos > 0) notices.create({ title: folderWords.brought(works.length, photos), type: "info" });
      if (copies.length > 0) notices.create({ title: folderWords.copies(copies), type: "info", duration: 30_000 });
    });
  }, [keeping, library, ownFonts, queries]);
  const again = () => void keeping.tryAgain().then(() => projectsChanged(queries));
  const retry = (
    <Button size="sm" variant="outline" onClick={again}>
      {common.tryAgain}
    </Button>
  );
  return (
    <>
      {trouble === "lost" && (
        <Strip tone="bad" action={retry}>
          {words.lost}
        </Strip>
      )}
      {full && trouble === "none" && (
        <Strip tone="bad" action={retry}>
          {words.full}
        </Strip>
      )}
      {happened.map((what, i) => (
        <Strip
          // biome-ignore lint/suspicious/noArrayIndexKey: the list only grows at its end
          key={i}
          tone={what.code === "rebuilt" || what.code === "caughtUp" ? "good" : "warn"}
          action={
            <Button size="sm" variant="ghost" onClick={() => keeping.told()}>
              {common.close}
            </Button>
          }
        >
          {happenedWords(what)}
        </Strip>
      ))}
    </>
  );
}

function happenedWords(what: Happened): string {
  switch (what.code) {
    case "rebuilt":
      return words.happened.rebuilt(what.works, what.photos);
    case "wiped":
      return words.happened.wiped(what.works, what.photos);
    case "caughtUp":
      return words.happened.caughtUp;
    case "journalRemade":
      return words.happened.journalRemade;
    case "journalDamaged":
      return words.happened.journalDamaged;
  }
}
