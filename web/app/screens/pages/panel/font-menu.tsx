import { Box, HStack, Menu, Portal } from "@chakra-ui/react";
import { ChevronDown } from "lucide-react";
import { useState } from "react";
import { type FontKind, familyOf, fontKinds, offeredFonts } from "#core/words";
import { words as say } from "../../../../text/index.ts";
import { sampleFamily } from "../../../../words/sample-fonts.ts";
import { Select } from "../../../components/select.tsx";
import css from "./font-menu.module.css";

interface FontMenuProps {
  readonly label: string;
  readonly font: string;
  readonly onChoose: (font: string) => void;
}

/** Fonts in their own letters, those of one kind or all. */
export function FontMenu({ label, font, onChoose }: FontMenuProps) {
  const [kind, setKind] = useState<FontKind | "all">("all");
  const offered = offeredFonts.filter((f) => kind === "all" || f.kind === kind);
  return (
    <HStack gap="2">
      <Box flex="1" minW="0">
        <Menu.Root
          lazyMount
          unmountOnExit
          positioning={{ placement: "bottom-start", sameWidth: false }}
          onSelect={({ value }) => onChoose(value)}
        >
          <Menu.Trigger asChild>
            <button type="button" className={css.trigger} aria-label={`${label}: ${familyOf(font)?.name ?? font}`}>
              <span className={css.name} style={{ fontFamily: sampleFamily(font) }}>
                {familyOf(font)?.name ?? font}
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
                      <span className={css.sample} style={{ fontFamily: sampleFamily(f.id) }}>
                        {f.name}
                      </span>
                      <span className={css.kind}>{say.kinds[f.kind]}</span>
                    </Menu.RadioItem>
                  ))}
                </Menu.RadioItemGroup>
              </Menu.Content>
            </Menu.Positioner>
          </Portal>
        </Menu.Root>
      </Box>
      <Box w="112px" flexShrink="0">
        <Select
          label={say.kindOf(label)}
          value={kind}
          options={[["all", say.allKinds], ...fontKinds.map((k) => [k, say.kinds[k]] as const)]}
          onChoose={setKind}
        />
      </Box>
    </HStack>
  );
}
