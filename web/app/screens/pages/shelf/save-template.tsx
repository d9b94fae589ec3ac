import { Box, Button, chakra, HStack, Input, Text, VStack } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { arrangedOn, frameRect, type PlacedPage, type PlacedTile } from "#core/document";
import { bleedBox } from "#core/lab";
import { photoPlaces, templateOfPage } from "#core/templates";
import { templates as words } from "../../../../text/index.ts";
import { ConfirmDialog } from "../../../components/confirm-dialog.tsx";
import { PageCanvas } from "../../../components/page-canvas.tsx";
import { Segmented } from "../../../components/segmented.tsx";
import { notices } from "../../../notices/notices.ts";
import { useServices } from "../../../services.ts";

const drawnPx = 320;

interface SaveTemplateProps {
  readonly page: PlacedPage;
  readonly onClose: () => void;
}

/** Names the page's arrangement and keeps it; its places can be given an order, or told to stay bare. */
export function SaveTemplate({ page, onClose }: SaveTemplateProps) {
  const { templates, newId } = useServices();
  const [numbered, setNumbered] = useState<readonly string[]>([]);
  const [skipped, setSkipped] = useState<ReadonlySet<string>>(new Set());
  const [mode, setMode] = useState<"number" | "skip">("number");
  const made = useMemo(
    () => templateOfPage(page, { id: newId(), name: "-", family: "", numbered, skipped }),
    [page, newId, numbered, skipped],
  );
  const tiles = arrangedOn(page);
  const [name, setName] = useState("");
  const suggested = words.nameOf(made ? photoPlaces(made) : tiles.length);
  const box = bleedBox(page.format);
  const scale = drawnPx / Math.max(box.w, box.h);

  const click = (tile: PlacedTile) => {
    const rest = new Set(skipped);
    const bare = rest.delete(tile.id);
    if (mode === "skip") {
      if (!bare) rest.add(tile.id);
      setNumbered(numbered.filter((id) => id !== tile.id));
    } else if (numbered.includes(tile.id)) setNumbered(numbered.filter((id) => id !== tile.id));
    else setNumbered([...numbered, tile.id]);
    setSkipped(rest);
  };
  const save = async () => {
    if (!made) return;
    const named = { ...made, name: name.trim() || suggested };
    await templates.keep([named]);
    notices.create({ title: words.saved(named.name), type: "success" });
    onClose();
  };

  return (
    <ConfirmDialog
      title={words.saveTitle}
      doIt={words.saveDo}
      able={made !== undefined}
      onDo={() => void save()}
      onClose={onClose}
    >
      {!made ? (
        <Text role="alert">{words.cannotSave}</Text>
      ) : (
        <VStack align="stretch" gap="4">
          <Box>
            <Text as="label" fontSize="14px" fontWeight="500" display="block" mb="1">
              {words.name}
              <Input
                mt="1"
                value={name}
                placeholder={suggested}
                maxLength={80}
                onChange={(e) => setName(e.target.value)}
                bg="oat.25"
                borderColor="oat.400"
              />
            </Text>
          </Box>
          <HStack justify="space-between">
            <Segmented
              label={words.mode}
              value={mode}
              options={[
                ["number", words.number],
                ["skip", words.skip],
              ]}
              onChoose={setMode}
            />
            <Button
              size="sm"
              variant="ghost"
              disabled={numbered.length === 0 && skipped.size === 0}
              onClick={() => {
                setNumbered([]);
                setSkipped(new Set());
              }}
            >
              {words.startOver}
            </Button>
          </HStack>
          <Text fontSize="14px" color="fg.muted">
            {mode === "number" ? words.numberHelp : words.skipHelp}
          </Text>
          <Box position="relative" mx="auto" boxShadow="card" style={{ width: box.w * scale, height: box.h * scale }}>
            <PageCanvas page={page} scale={scale} />
            {tiles.map((tile, i) => {
              const r = frameRect(tile.frame);
              const number = numbered.indexOf(tile.id) + 1;
              const bare = skipped.has(tile.id);
              const state = number > 0 ? words.placeNumber(number) : bare ? words.placeSkipped : "";
              return (
                <chakra.button
                  key={tile.id}
                  type="button"
                  aria-label={words.place(i + 1, tiles.length, state)}
                  onClick={() => click(tile)}
                  position="absolute"
                  display="grid"
                  placeItems="center"
                  bg={bare ? "rgba(244, 239, 230, .9)" : "rgba(34, 48, 43, .12)"}
                  _hover={{ boxShadow: "inset 0 0 0 2px {colors.glaze.500}" }}
                  _focusVisible={{ outline: "3px solid {colors.glaze.600}" }}
                  style={{
                    left: (r.x - box.x) * scale,
                    top: (r.y - box.y) * scale,
                    width: r.w * scale,
                    height: r.h * scale,
                  }}
                >
                  {number > 0 && (
                    <Box
                      minW="24px"
                      h="24px"
                      px="1.5"
                      borderRadius="full"
                      bg="glaze.600"
                      color="white"
                      fontSize="14px"
                      fontWeight="600"
                      lineHeight="24px"
                    >
                      {number}
                    </Box>
                  )}
                </chakra.button>
              );
            })}
          </Box>
        </VStack>
      )}
    </ConfirmDialog>
  );
}
