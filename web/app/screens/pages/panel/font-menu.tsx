import { Box, HStack, Menu, Portal } from "@chakra-ui/react";
import { ChevronDown } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import { useStore } from "zustand";
import { type FontKind, fontKinds, offeredFonts } from "#core/words";
import { fonts as fontWords, words as say } from "../../../../text/index.ts";
import { sampleFamily } from "../../../../words/sample-fonts.ts";
import { Select } from "../../../components/select.tsx";
import { useServices } from "../../../services.ts";
import css from "./font-menu.module.css";

const OwnFonts = lazy(() => import("./own-fonts-dialog.tsx"));

interface FontMenuProps {
  readonly label: string;
  readonly font: string;
  readonly onChoose: (font: string) => void;
}

const openOwn = "open-own";

/** Fonts in their own letters, those of one kind or all, one's own first. */
export function FontMenu({ label, font, onChoose }: FontMenuProps) {
  const { fonts, ownFonts } = useServices();
  const own = useStore(ownFonts.state, (s) => s.fonts);
  const [kind, setKind] = useState<FontKind | "all" | "own">("all");
  const [managing, setManaging] = useState(false);
  const offered = [
    ...(kind === "all" || kind === "own" ? own.filter((f) => !f.hidden) : []).map((f) => ({
      ...f,
      kindName: fontWords.ownKind,
    })),
    ...offeredFonts
      .filter((f) => kind === "all" || f.kind === kind)
      .map((f) => ({ ...f, kindName: say.kinds[f.kind] })),
  ];
  const { name } = fonts.font(font);
  return (
    <HStack gap="2">
      <Box flex="1" minW="0">
        <Menu.Root
          lazyMount
          unmountOnExit
          positioning={{ placement: "bottom-start", sameWidth: false }}
          onSelect={({ value }) => (value === openOwn ? setManaging(true) : onChoose(value))}
        >
          <Menu.Trigger asChild>
            <button type="button" className={css.trigger} aria-label={`${label}: ${name}`}>
              <span className={css.name} style={{ fontFamily: sampleFamily(font, fonts) }}>
                {name}
              </span>
              <ChevronDown size={16} aria-hidden />
            </button>
          </Menu.Trigger>
          <Portal>
            <Menu.Positioner>
              <Menu.Content className={css.list} bg="oat.25" borderRadius="card" boxShadow="lifted">
                <Menu.RadioItemGroup value={font}>
                  {offered.map((f) => (
                    <Menu.RadioItem key={f.id} value={f.id} className={css.item} valueText={f.name}>
                      <span className={css.sample} style={{ fontFamily: sampleFamily(f.id, fonts) }}>
                        {f.name}
                      </span>
                      <span className={css.kind}>{f.kindName}</span>
                    </Menu.RadioItem>
                  ))}
                </Menu.RadioItemGroup>
                <Menu.Item value={openOwn} className={css.more} valueText={fontWords.open}>
                  {fontWords.open}
                </Menu.Item>
              </Menu.Content>
            </Menu.Positioner>
          </Portal>
        </Menu.Root>
      </Box>
      <Box w="112px" flexShrink="0">
        <Select
          label={say.kindOf(label)}
          value={kind}
          options={[
            ["all", say.allKinds],
            ...(own.some((f) => !f.hidden) ? [["own", fontWords.ownKind] as const] : []),
            ...fontKinds.map((k) => [k, say.kinds[k]] as const),
          ]}
          onChoose={setKind}
        />
      </Box>
      {managing && (
        <Suspense>
          <OwnFonts
            onUse={(id) => {
              onChoose(id);
              setManaging(false);
            }}
            onClose={() => setManaging(false)}
          />
        </Suspense>
      )}
    </HStack>
  );
}
