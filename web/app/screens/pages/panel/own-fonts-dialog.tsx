import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { FolderOpen, Monitor } from "lucide-react";
import { type DragEvent, useRef, useState } from "react";
import { useStore } from "zustand";
import type { OwnFont } from "#core/words";
import { fonts as say } from "../../../../text/index.ts";
import { sampleFamily } from "../../../../words/sample-fonts.ts";
import { Dialog } from "../../../components/dialog.tsx";
import { TextField } from "../../../components/text-field.tsx";
import { useServices } from "../../../services.ts";
import { canListFonts, type FoundFont, fontsOfComputer } from "../../../state/own-fonts/computer-fonts.ts";
import type { BroughtFonts } from "../../../state/own-fonts/own-fonts.ts";
import css from "./own-fonts-dialog.module.css";

interface OwnFontsDialogProps {
  readonly onUse: (font: string) => void;
  readonly onClose: () => void;
}

const accepted = ".ttf,.otf,.ttc,.otc,.woff,.woff2";

/** A person's own fonts: brought in as files or from this computer, used, and taken off the list. */
export default function OwnFontsDialog({ onUse, onClose }: OwnFontsDialogProps) {
  const { ownFonts } = useServices();
  const own = useStore(ownFonts.state, (s) => s.fonts);
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [brought, setBrought] = useState<BroughtFonts>();
  const bringIn = async (files: () => Promise<readonly File[]>) => {
    setBusy(true);
    setBrought(await ownFonts.bringIn(await files().catch(() => [])));
    setBusy(false);
  };
  const drop = (e: DragEvent) => {
    e.preventDefault();
    e.stopPropagation();
    const files = [...e.dataTransfer.files];
    if (files.length > 0) void bringIn(async () => files);
  };
  return (
    <Dialog
      title={say.own}
      widthPx={600}
      onClose={onClose}
      foot={
        <Button variant="outline" onClick={onClose}>
          {say.close}
        </Button>
      }
    >
      <Box onDragOver={(e) => e.preventDefault()} onDrop={drop}>
        <Text color="fg.muted" mb="3">
          {say.lead}
        </Text>
        <Button loading={busy} loadingText={say.busy} onClick={() => input.current?.click()}>
          <FolderOpen size={17} aria-hidden /> {say.bring}
        </Button>
        <input
          ref={input}
          type="file"
          multiple
          hidden
          aria-label={say.bring}
          accept={accepted}
          onChange={(e) => {
            const files = [...(e.currentTarget.files ?? [])];
            e.currentTarget.value = "";
            if (files.length > 0) void bringIn(async () => files);
          }}
        />
        {brought && <Brought {...brought} />}
        <Box mt="4">
          {own.length === 0 && <Text color="fg.subtle">{say.none}</Text>}
          {own.map((font) => (
            <OwnFontRow key={font.id} font={font} onUse={() => onUse(font.id)} />
          ))}
        </Box>
        {canListFonts() && <ComputerFonts onBring={(font) => void bringIn(font.files)} />}
      </Box>
    </Dialog>
  );
}

function Brought({ fonts, leftOut }: BroughtFonts) {
  return (
    <Box mt="3">
      {fonts.length > 0 && (
        <Text role="status" fontSize="14.5px" color="glaze.700">
          {say.brought(fonts.map((f) => f.name))}
        </Text>
      )}
      {leftOut.map(({ name, code }) => (
        <Text key={name} role="alert" fontSize="14.5px" color="clay.600">
          {say.leftOut(name, code)}
        </Text>
      ))}
    </Box>
  );
}

function OwnFontRow({ font, onUse }: { readonly font: OwnFont; readonly onUse: () => void }) {
  const { fonts, ownFonts } = useServices();
  const here = ownFonts.isHere(font);
  return (
    <div className={css.row} data-off={font.hidden || undefined}>
      <div className={css.about}>
        <div className={css.name} style={{ fontFamily: here ? sampleFamily(font.id, fonts) : undefined }}>
          {font.name}
        </div>
        <div className={css.note}>
          {font.hidden
            ? say.offList
            : !here
              ? say.notHere
              : [say.faces(font.faces), font.faces.some((f) => f.embedding === "never") ? say.never : ""].join(" ")}
        </div>
      </div>
      <HStack gap="1" flexShrink="0">
        {font.hidden ? (
          <Button
            size="sm"
            variant="ghost"
            aria-label={say.offerItAgain(font.name)}
            onClick={() => void ownFonts.offer(font, true)}
          >
            {say.offerAgain}
          </Button>
        ) : (
          <>
            <Button
              size="sm"
              variant="ghost"
              aria-label={say.takeItOff(font.name)}
              onClick={() => void ownFonts.offer(font, false)}
            >
              {say.takeOff}
            </Button>
            <Button size="sm" variant="outline" aria-label={say.toUse(font.name)} onClick={onUse}>
              {say.choose}
            </Button>
          </>
        )}
      </HStack>
    </div>
  );
}

const mostListed = 40;

/** What the browser tells of the fonts that are installed, once it is allowed to. */
function ComputerFonts({ onBring }: { readonly onBring: (font: FoundFont) => void }) {
  const [found, setFound] = useState<readonly FoundFont[]>();
  const [refused, setRefused] = useState(false);
  const [looking, setLooking] = useState(false);
  const [part, setPart] = useState("");
  const look = async () => {
    setLooking(true);
    const all = await fontsOfComputer();
    setLooking(false);
    setRefused(all === undefined);
    setFound(all);
  };
  const wanted = part.trim().toLocaleLowerCase();
  const fitting = (found ?? []).filter((f) => f.name.toLocaleLowerCase().includes(wanted));
  return (
    <Box mt="4" pt="4" borderTopWidth="1px" borderColor="oat.300">
      {!found && (
        <>
          <Button variant="outline" loading={looking} loadingText={say.asking} onClick={() => void look()}>
            <Monitor size={17} aria-hidden /> {say.computer}
          </Button>
          <Text fontSize="13.5px" color="fg.muted" mt="2">
            {say.computerLead}
          </Text>
        </>
      )}
      {refused && (
        <Text role="alert" fontSize="14.5px" color="clay.600" mt="2">
          {say.refused}
        </Text>
      )}
      {found && (
        <>
          <TextField label={say.search} value={part} autoFocus onChange={(e) => setPart(e.currentTarget.value)} />
          <Box mt="2" maxH="220px" overflowY="auto" role="group" aria-label={say.computer}>
            {fitting.length === 0 && <Text color="fg.subtle">{say.noneOnComputer}</Text>}
            {fitting.slice(0, mostListed).map((font) => (
              <div key={font.name} className={css.row}>
                <div className={css.name} style={{ fontFamily: `"${font.name.replace(/["\\]/g, "")}"` }}>
                  {font.name}
                </div>
                <Button size="sm" variant="outline" aria-label={say.bringIt(font.name)} onClick={() => onBring(font)}>
                  {say.bringShort}
                </Button>
              </div>
            ))}
            {fitting.length > mostListed && (
              <Text fontSize="13.5px" color="fg.muted" mt="2">
                {say.moreOnComputer(fitting.length - mostListed)}
              </Text>
            )}
          </Box>
        </>
      )}
    </Box>
  );
}
