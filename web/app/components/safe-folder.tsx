import { Box, Button, Heading, HStack, Text } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Archive, FolderCheck, FolderHeart, MonitorCheck } from "lucide-react";
import { type ReactNode, useRef, useState } from "react";
import { useStore } from "zustand";
import type { SyncReport } from "../../safe-folder/sync-given.ts";
import type { Keeping } from "../../storage/keeping.ts";
import { ago, common, formats, safeFolder as words } from "../../text/index.ts";
import { notices } from "../notices/notices.ts";
import { useServices } from "../services.ts";
import { saveToDisk } from "../state/sending/save-to-disk.ts";
import { useLibrary } from "../state/session/hooks.ts";
import { projectsChanged, useProjects } from "../state/session/use-projects.ts";
import { Dialog } from "./dialog.tsx";
import { ProgressBar } from "./progress-bar.tsx";

interface Picking {
  showDirectoryPicker?(o: {
    readonly mode: "readwrite" | "read";
    readonly id: string;
  }): Promise<FileSystemDirectoryHandle>;
}
type Asking = FileSystemDirectoryHandle & {
  requestPermission?(o: { readonly mode: "readwrite" }): Promise<PermissionState>;
};

export const canChooseFolders = "showDirectoryPicker" in window;

/** Undefined where the person chose none after all. */
const pickFolder = async (mode: "readwrite" | "read"): Promise<FileSystemDirectoryHandle | undefined> => {
  try {
    return await (window as Picking).showDirectoryPicker?.({ mode, id: "tessip-safe" });
  } catch (e) {
    if (e instanceof DOMException && e.name === "AbortError") return undefined;
    throw e;
  }
};

/** The person chooses the folder in which everything is kept from now on. */
export async function chooseSafeFolder(keeping: Keeping): Promise<void> {
  const handle = await pickFolder("readwrite");
  if (handle) await keeping.folder.use(handle);
}

/** Everything that is kept, as one file among the downloads. */
export async function saveEverything(keeping: Keeping, onlyNew: boolean, at: string): Promise<void> {
  const { file, works, photos, missing } = await keeping.folder.saveAll(onlyNew);
  const day = at.slice(0, 10);
  const name = onlyNew ? words.nameNew(day) : words.name(day);
  await saveToDisk(file, name);
  notices.create({
    title: words.saved(name, formats.number(file.size / 1e6, 1), works, photos),
    type: "success",
    duration: 20_000,
  });
  if (missing.length > 0) notices.create({ title: words.missing(missing), type: "error", duration: 30_000 });
}

/** Where everything is kept: here, in a folder, in a file; and how it comes back from there. */
export function SafeFolderDialog({ keeping, onClose }: { readonly keeping: Keeping; readonly onClose: () => void }) {
  return (
    <Dialog title={words.title} widthPx={680} onClose={onClose} foot={<Button onClick={onClose}>{common.done}</Button>}>
      <InBrowser keeping={keeping} />
      <InFolder keeping={keeping} />
      <AsFile keeping={keeping} />
      <BringBack keeping={keeping} />
    </Dialog>
  );
}

interface PartProps {
  readonly icon: ReactNode;
  readonly title: string;
  readonly children: ReactNode;
}

function Part({ icon, title, children }: PartProps) {
  return (
    <HStack
      as="section"
      align="start"
      gap="4"
      py="4"
      borderTopWidth="1px"
      borderColor="oat.300"
      _first={{ borderTopWidth: 0, pt: 0 }}
    >
      <Box color="glaze.500" pt="0.5">
        {icon}
      </Box>
      <Box flex="1" minW="0">
        <Heading as="h3" fontSize="16.5px" fontWeight="560" mb="1">
          {title}
        </Heading>
        {children}
      </Box>
    </HStack>
  );
}

function InBrowser({ keeping }: { readonly keeping: Keeping }) {
  const photos = useLibrary((s) => s.byId.size);
  const works = useProjects().data?.cards.length ?? 0;
  const promised = useStore(keeping.state, (s) => s.promised);
  return (
    <Part icon={<MonitorCheck size={20} aria-hidden />} title={words.here}>
      <Text>{works + photos === 0 ? words.hereNothing : words.hereLead(works, photos)}</Text>
      {promised !== undefined && (
        <Text fontSize="14px" color="fg.muted">
          {promised ? words.promised : words.notPromised}
        </Text>
      )}
    </Part>
  );
}

function InFolder({ keeping }: { readonly keeping: Keeping }) {
  const state = useStore(keeping.folderState);
  const [busy, setBusy] = useState(false);
  const during = async (work: () => Promise<unknown>) => {
    setBusy(true);
    try {
      await work();
    } finally {
      setBusy(false);
    }
  };
  const allow = async () => {
    const handle = (await keeping.tables.get("meta", "safeFolder")) as Asking | undefined;
    const answer = await handle?.requestPermission?.({ mode: "readwrite" });
    if (answer === "granted" || answer === undefined) await keeping.folder.sync();
  };
  const { name, report } = state;
  return (
    <Part
      icon={<FolderHeart size={20} aria-hidden />}
      title={name === undefined ? words.folder : `${words.folder}: ${name}`}
    >
      {name === undefined ? (
        <Text>{canChooseFolders ? words.folderLead : words.noFolders}</Text>
      ) : (
        <Text role="status" color={state.is === "trouble" ? "clay.600" : undefined} fontWeight="500">
          {state.is === "trouble"
            ? words.trouble[state.trouble ?? "folderFailed"]
            : state.is === "working"
              ? words.state.working(state.share)
              : state.is === "kept" && state.keptAt
                ? words.state.kept(ago(state.keptAt, Date.now()))
                : words.state.waiting}
        </Text>
      )}
      {state.is === "working" && (
        <Box mt="2">
          <ProgressBar label={words.folder} value={Math.round(state.share * 100)} />
        </Box>
      )}
      {report && report.waiting.length > 0 && <Text color="saffron.700">{words.waiting(report.waiting)}</Text>}
      {report && report.missing.length > 0 && <Text color="clay.600">{words.missing(report.missing)}</Text>}
      {canChooseFolders && (
        <HStack gap="2" mt="3" wrap="wrap">
          {name === undefined ? (
            <Button disabled={busy} onClick={() => void during(() => chooseSafeFolder(keeping))}>
              <FolderCheck size={17} aria-hidden /> {words.choose}
            </Button>
          ) : (
            <>
              {state.trouble === "folderShut" ? (
                <Button size="sm" disabled={busy} onClick={() => void during(allow)}>
                  {words.allow(name)}
                </Button>
              ) : (
                <Button
                  size="sm"
                  variant="outline"
                  disabled={busy || state.is === "working"}
                  onClick={() => void during(() => keeping.folder.sync())}
                >
                  {words.again}
                </Button>
              )}
              <Button
                size="sm"
                variant="ghost"
                disabled={busy}
                onClick={() => void during(() => chooseSafeFolder(keeping))}
              >
                {words.other}
              </Button>
              <Button
                size="sm"
                variant="ghost"
                disabled={busy}
                onClick={() => void during(() => keeping.folder.stop())}
              >
                {words.stop}
              </Button>
            </>
          )}
        </HStack>
      )}
    </Part>
  );
}

const archiveKey = ["lastArchive"] as const;

function AsFile({ keeping }: { readonly keeping: Keeping }) {
  const { now } = useServices();
  const queries = useQueryClient();
  const last = useQuery({ queryKey: archiveKey, staleTime: 0, queryFn: () => keeping.folder.lastArchive() }).data;
  const [saving, setSaving] = useState(false);
  const save = async (onlyNew: boolean) => {
    setSaving(true);
    try {
      await saveEverything(keeping, onlyNew, now());
      await queries.invalidateQueries({ queryKey: archiveKey });
    } finally {
      setSaving(false);
    }
  };
  return (
    <Part icon={<Archive size={20} aria-hidden />} title={words.file}>
      <Text>
        {words.fileLead} {last?.at && words.savedLast(formats.dayHere(last.at))}
      </Text>
      <HStack gap="2" mt="3">
        <Button size="sm" variant="outline" disabled={saving} onClick={() => void save(false)}>
          {saving ? words.saving : words.saveAll}
        </Button>
        {last?.at && (
          <Button size="sm" variant="outline" disabled={saving} onClick={() => void save(true)}>
            {words.saveNew(last.newPhotos)}
          </Button>
        )}
      </HStack>
    </Part>
  );
}

function BringBack({ keeping }: { readonly keeping: Keeping }) {
  return (
    <Part icon={<FolderCheck size={20} aria-hidden />} title={words.back}>
      <Text mb="3">{words.backLead}</Text>
      <BringBackButtons keeping={keeping} size="sm" />
    </Part>
  );
}

/** Everything from a safe folder, or from a file that holds one. */
export function BringBackButtons({ keeping, size = "md" }: { readonly keeping: Keeping; readonly size?: "sm" | "md" }) {
  const { library, ownFonts } = useServices();
  const queries = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const bring = async (from: FileSystemDirectoryHandle | Blob) => {
    setBusy(true);
    try {
      const { works, photos, missing }: SyncReport = await keeping.folder.bringFrom(from);
      await Promise.all([library.load(), ownFonts.load()]);
      await projectsChanged(queries);
      notices.create({ title: words.brought(works.length, photos), type: "success", duration: 20_000 });
      if (missing.length > 0) notices.create({ title: words.missing(missing), type: "error", duration: 30_000 });
    } catch (e) {
      const code = e instanceof Error && "code" in e ? String(e.code) : "";
      notices.create({ title: words.trouble[code] ?? words.trouble.folderFailed, type: "error", duration: 20_000 });
    } finally {
      setBusy(false);
    }
  };
  return (
    <HStack gap="2">
      {canChooseFolders && (
        <Button
          size={size}
          variant="outline"
          disabled={busy}
          onClick={() => void pickFolder("read").then((folder) => folder && bring(folder))}
        >
          {busy ? words.bringing : words.fromFolder}
        </Button>
      )}
      <Button size={size} variant="outline" disabled={busy} onClick={() => input.current?.click()}>
        {words.fromFile}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".zip,application/zip"
        data-testid="everything-file"
        onChange={(e) => {
          const [file] = e.currentTarget.files ?? [];
          e.currentTarget.value = "";
          if (file) void bring(file);
        }}
      />
    </HStack>
  );
}
