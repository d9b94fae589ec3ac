import { Button, HStack, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { useStore } from "zustand";
import type { OpenRoom } from "../../../storage/store.ts";
import { common, formats, room as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { notesOf } from "../../state/notes/notes-shelf.ts";
import { type ProofOptions, paintProof } from "../../state/proof/make-proof.ts";
import {
  changeRoom,
  closeRoom,
  invite,
  linkOf,
  type MailKind,
  type Mails,
  mailKinds,
  openRoom,
  RoomError,
  roomFacts,
  roomIsHere,
  showInRoom,
} from "../../state/room/room-client.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { Dialog } from "../dialog.tsx";
import { FieldLabel } from "../field-label.tsx";
import { PanelSection } from "../panel-parts.tsx";
import { Working } from "../project/working.tsx";
import { Segmented } from "../segmented.tsx";
import { TextField } from "../text-field.tsx";
import css from "./notes.module.css";

const dayMs = 86_400_000;
const shows: ProofOptions = { size: "screen", mark: "", offers: 6, withNotes: true };
const mailsKey = "tessip-room-mails";

/** What a person wrote for the room before. */
function rememberedMails(): Mails {
  try {
    return { ...words.firstMails, ...(JSON.parse(localStorage.getItem(mailsKey) ?? "{}") as Partial<Mails>) };
  } catch {
    return words.firstMails;
  }
}

interface Letters {
  readonly readers: string;
  readonly makerMail: string;
  readonly mails: Mails;
}

const linesOf = (text: string): readonly string[] =>
  text
    .split("\n")
    .map((l) => l.trim())
    .filter((l) => l.length > 2);

function tell(e: unknown): void {
  const code = e instanceof RoomError ? e.code : "refused";
  notices.create({ title: words.trouble[code], type: "error", duration: 15_000 });
}

/** Opens a room for the work, or says how things stand in the one that it has. */
export function RoomDialog({ onClose }: { readonly onClose: () => void }) {
  const services = useServices();
  const session = useSession();
  const workId = useProject((s) => s.project.id);
  const room = useStore(notesOf(services).state, (s) => s.rooms.get(workId));
  const here = useQuery({ queryKey: ["room", "here"], queryFn: roomIsHere, staleTime: 0 });
  const [share, setShare] = useState<number>();
  const stop = useRef<AbortController>(undefined);
  /** Paints the pages and brings them into the room. */
  const show = async (to: OpenRoom): Promise<number | undefined> => {
    const abort = new AbortController();
    stop.current = abort;
    setShare(0);
    try {
      const doing = { signal: abort.signal, onProgress: (s: number) => setShare(s * 0.7) };
      const painted = await paintProof(services, session.state.getState().project, shows, doing);
      return await showInRoom(to, painted, { signal: abort.signal, onProgress: (s) => setShare(0.7 + 0.3 * s) });
    } finally {
      setShare(undefined);
    }
  };
  if (share !== undefined) return <Working title={words.working} share={share} onStop={() => stop.current?.abort()} />;
  const foot = (
    <Button variant="outline" onClick={onClose}>
      {common.close}
    </Button>
  );
  return (
    <Dialog title={words.title} widthPx={560} onClose={onClose} foot={foot}>
      {here.data === false && <Text className={css.hint}>{words.off}</Text>}
      {room ? (
        <RoomThere room={room} workId={workId} show={show} />
      ) : (
        here.data && <NewRoom workId={workId} show={show} />
      )}
    </Dialog>
  );
}

interface WithShow {
  readonly workId: string;
  readonly show: (room: OpenRoom) => Promise<number | undefined>;
}

function NewRoom({ workId, show }: WithShow) {
  const services = useServices();
  const [days, setDays] = useState<"14" | "30" | "90">("14");
  const [passphrase, setPassphrase] = useState("");
  const [letters, setLetters] = useState<Letters>(() => ({ readers: "", makerMail: "", mails: rememberedMails() }));
  const open = async () => {
    try {
      const endsAt = new Date(Date.now() + Number(days) * dayMs).toISOString();
      const room = await openRoom({ endsAt, passphrase, ...wishOf(letters) });
      await notesOf(services).setRoom(workId, room);
      const shown = await show(room);
      if (shown !== undefined) notices.create({ title: words.isOpen, type: "success" });
    } catch (e) {
      tell(e);
    }
  };
  return (
    <>
      <Text mb="4">{words.lead}</Text>
      <FieldLabel label={words.ends}>
        <Segmented
          label={words.ends}
          value={days}
          options={(["14", "30", "90"] as const).map((d) => [d, words.endsIn[d]] as const)}
          onChoose={setDays}
        />
      </FieldLabel>
      <Text h="3" />
      <TextField
        label={words.passphrase}
        value={passphrase}
        maxLength={200}
        onChange={(e) => setPassphrase(e.target.value)}
      />
      <Text fontSize="13.5px" color="fg.muted" mt="1" mb="3">
        {words.passphraseHelp}
      </Text>
      <LetterFields letters={letters} onLetters={setLetters} />
      <Button mt="4" onClick={() => void open()}>
        {words.openDo}
      </Button>
    </>
  );
}

function wishOf({ readers, makerMail, mails }: Letters) {
  try {
    localStorage.setItem(mailsKey, JSON.stringify(mails));
  } catch {
    // A browser that keeps nothing asks for them again.
  }
  return { readers: linesOf(readers), makerMail: makerMail.trim(), mails };
}

function RoomThere({ room, workId, show }: WithShow & { readonly room: OpenRoom }) {
  const services = useServices();
  const facts = useQuery({
    queryKey: ["room", room.makerKey],
    queryFn: () => roomFacts(room),
    staleTime: 0,
    retry: false,
  });
  const [edited, setEdited] = useState<Letters>();
  const [closing, setClosing] = useState(false);
  const letters: Letters | undefined =
    edited ??
    (facts.data && {
      readers: facts.data.readers.join("\n"),
      makerMail: facts.data.makerMail,
      mails: facts.data.mails,
    });
  const link = linkOf(room);
  const doing = (work: () => Promise<string | undefined>) => () =>
    void work().then((said) => said && notices.create({ title: said, type: "success" }), tell);
  const keepLetters = async () => {
    if (letters) await changeRoom(room, { endsAt: room.endsAt, ...wishOf(letters) });
    return words.keptMails;
  };
  return (
    <>
      <TextField label={words.link} value={link} readOnly onFocus={(e) => e.target.select()} />
      <HStack gap="2" mt="2" mb="1" flexWrap="wrap">
        <Button
          size="sm"
          variant="outline"
          onClick={() =>
            void navigator.clipboard.writeText(link).then(
              () => notices.create({ title: words.copied, type: "success" }),
              () => notices.create({ title: words.copyByHand, type: "info" }),
            )
          }
        >
          {words.copy}
        </Button>
        <Text fontSize="14px" color="fg.muted">
          {words.until(formats.dayHere(room.endsAt))}
        </Text>
      </HStack>
      <HStack gap="2" my="3" flexWrap="wrap">
        <Button
          size="sm"
          onClick={doing(async () => {
            const sent = await show(room);
            return sent === undefined ? undefined : words.shown(sent);
          })}
        >
          {words.show}
        </Button>
        <Button
          size="sm"
          variant="outline"
          onClick={doing(async () => {
            if (!letters || linesOf(letters.readers).length === 0) return words.nobody;
            await keepLetters();
            return words.invited(await invite(room));
          })}
        >
          {words.invite}
        </Button>
      </HStack>
      {letters && (
        <>
          <LetterFields letters={letters} onLetters={setEdited} />
          <Button size="sm" variant="outline" mt="3" onClick={doing(keepLetters)}>
            {words.keepMails}
          </Button>
        </>
      )}
      <HStack gap="3" mt="4" pt="3" borderTopWidth="1px" borderColor="oat.300">
        {closing && <Text fontSize="14.5px">{words.withdrawAsk}</Text>}
        <Button
          size="sm"
          flexShrink="0"
          variant={closing ? "solid" : "ghost"}
          onClick={
            closing
              ? doing(async () => {
                  await closeRoom(room).catch((e: unknown) => {
                    // What is gone already is closed.
                    if (!(e instanceof RoomError && e.code === "noSuchRoom")) throw e;
                  });
                  await notesOf(services).setRoom(workId, undefined);
                  return words.withdrawn;
                })
              : () => setClosing(true)
          }
        >
          {words.withdraw}
        </Button>
      </HStack>
    </>
  );
}

interface LetterFieldsProps {
  readonly letters: Letters;
  readonly onLetters: (letters: Letters) => void;
}

/** Who is asked, and what the mails say. */
function LetterFields({ letters, onLetters }: LetterFieldsProps) {
  const [kind, setKind] = useState<MailKind>("invitation");
  const mail = letters.mails[kind];
  const change = (part: Partial<typeof mail>) =>
    onLetters({ ...letters, mails: { ...letters.mails, [kind]: { ...mail, ...part } } });
  return (
    <>
      <FieldLabel label={words.readers}>
        <textarea
          className={css.field}
          style={{ marginTop: 0 }}
          aria-label={words.readers}
          rows={2}
          value={letters.readers}
          onChange={(e) => onLetters({ ...letters, readers: e.target.value })}
        />
      </FieldLabel>
      <TextField
        label={words.yourMail}
        value={letters.makerMail}
        maxLength={200}
        onChange={(e) => onLetters({ ...letters, makerMail: e.target.value })}
      />
      <Text fontSize="13.5px" color="fg.muted" mt="1" mb="2">
        {words.yourMailHelp}
      </Text>
      <PanelSection title={words.mails} folds="room-mails" folded>
        <Text fontSize="13.5px" color="fg.muted" mb="2">
          {words.mailsHelp}
        </Text>
        <Segmented
          label={words.mails}
          tight
          value={kind}
          options={mailKinds.map((k) => [k, words.kinds[k]] as const)}
          onChoose={setKind}
        />
        <Text h="2" />
        <TextField
          label={words.subject}
          value={mail.subject}
          maxLength={200}
          onChange={(e) => change({ subject: e.target.value })}
        />
        <textarea
          className={css.field}
          aria-label={words.text}
          rows={6}
          maxLength={8000}
          value={mail.text}
          onChange={(e) => change({ text: e.target.value })}
        />
      </PanelSection>
    </>
  );
}
