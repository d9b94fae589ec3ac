import { Box, Button, Flex, RadioCard, Text, VStack } from "@chakra-ui/react";
import { Crop, Scissors, Trash2 } from "lucide-react";
import { useMemo } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { printSize } from "#core/document";
import { mostCopies, printBill, type printsOf } from "#core/edit";
import { allSides } from "#core/geometry";
import { formats, orderWords, prints as words } from "../../../text/index.ts";
import { Changeable } from "../../components/changeable.tsx";
import { choiceLook } from "../../components/choice-look.ts";
import { LengthField } from "../../components/length-field.tsx";
import { NumberField } from "../../components/number-field.tsx";
import { PanelSection, PanelTitle } from "../../components/panel-parts.tsx";
import { Segmented } from "../../components/segmented.tsx";
import { useServices } from "../../services.ts";
import { openThe } from "../../state/edit/page-list.ts";
import { removePrints, setPrints } from "../../state/edit/prints.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";

type Prints = ReturnType<typeof printsOf>;

interface PrintsPanelProps {
  readonly prints: Prints;
  readonly ids: ReadonlySet<string>;
  readonly onRemoved: () => void;
}

/** Size and copies of the chosen prints, or of all; under it what everything comes to, and the way on. */
export function PrintsPanel({ prints, ids, onRemoved }: PrintsPanelProps) {
  const some = useMemo(() => prints.filter((p) => ids.has(p.id)), [prints, ids]);
  return (
    <>
      <Box flex="1" minH="0" overflowY="auto" px="5" py="5">
        <Changeable>
          {prints.length > 0 && (
            <Settings prints={some.length > 0 ? some : prints} chosen={some.length} onRemoved={onRemoved} />
          )}
        </Changeable>
      </Box>
      {prints.length > 0 && <Bill prints={prints} />}
    </>
  );
}

interface SettingsProps {
  readonly prints: Prints;
  readonly chosen: number;
  readonly onRemoved: () => void;
}

/** What they all have in common; nothing where they differ. */
const common = <T,>(prints: Prints, pick: (p: Prints[number]["print"]) => T): T | undefined => {
  const [first, ...rest] = prints.map((p) => pick(p.print));
  return rest.every((v) => v === first) ? first : undefined;
};

function Settings({ prints, chosen, onRemoved }: SettingsProps) {
  const services = useServices();
  const session = useSession();
  const navigate = useNavigate();
  const { projectId } = useParams();
  const project = useProject((s) => s.project);
  const { lab, unit, format, style } = project;
  const ids = new Set(prints.map((p) => p.id));
  const copies = common(prints, (p) => p.copies);
  const sideways = common(prints, (p) => p.sideways);
  const turns = prints.every((p) => printSize(project, p.print)?.turns);
  const shortMm = Math.min(...(lab?.sizes ?? []).flatMap((s) => [s.widthMm, s.heightMm]));
  const edge = (mm: number) => {
    if (!(mm >= 0 && mm <= shortMm / 4)) return `0 – ${formats.number(shortMm / 4)} mm`;
    session.commit({ code: "changedMargin", count: 1 }, [
      { type: "setProject", style: { ...style, margin: allSides(mm) } },
    ]);
    return undefined;
  };
  return (
    <>
      <PanelTitle>{chosen > 0 ? words.chosen(chosen) : words.all}</PanelTitle>
      <PanelSection title={words.size}>
        <RadioCard.Root
          value={common(prints, (p) => p.sizeId) ?? null}
          aria-label={words.size}
          onValueChange={(e) => e.value && setPrints(session, ids, { sizeId: e.value })}
        >
          <VStack align="stretch" gap="1">
            {lab?.sizes.map((s) => (
              <RadioCard.Item key={s.id} value={s.id} {...choiceLook.card} borderRadius="soft">
                <RadioCard.ItemHiddenInput />
                <RadioCard.ItemControl px="3" py="1.5" justifyContent="space-between">
                  <RadioCard.ItemText fontWeight="500" fontVariantNumeric="tabular-nums">
                    {s.name}
                  </RadioCard.ItemText>
                  {s.price !== undefined && (
                    <Text fontSize="13.5px" color="fg.subtle" fontVariantNumeric="tabular-nums">
                      {words.each(formats.money(s.price, lab.currency))}
                    </Text>
                  )}
                </RadioCard.ItemControl>
              </RadioCard.Item>
            ))}
          </VStack>
        </RadioCard.Root>
      </PanelSection>
      <PanelSection>
        <NumberField
          label={copies === undefined ? words.copiesDiffer : words.copies}
          value={copies ?? prints[0]!.print.copies}
          least={1}
          most={mostCopies}
          step={1}
          onNumber={(n) => setPrints(session, ids, { copies: Math.round(n) })}
        />
      </PanelSection>
      {turns && chosen > 0 && (
        <PanelSection>
          <Segmented
            label={words.way}
            value={sideways === undefined ? "" : sideways ? "sideways" : "upright"}
            options={[
              ["upright", words.upright],
              ["sideways", words.sideways],
            ]}
            onChoose={(v) => setPrints(session, ids, { sideways: v === "sideways" })}
          />
        </PanelSection>
      )}
      {chosen === 0 && (
        <PanelSection>
          <LengthField
            label={words.edge}
            mm={style.margin.top}
            unit={unit}
            ppi={format.ppi}
            help={words.edgeHelp}
            onMm={edge}
          />
        </PanelSection>
      )}
      {chosen > 0 && (
        <Flex direction="column" gap="2" mt="3">
          {chosen === 1 && (
            <Button
              variant="outline"
              size="sm"
              onClick={() => {
                openThe(services, session, prints[0]);
                void navigate(`/work/${projectId}/pages`);
              }}
            >
              <Crop size={17} aria-hidden /> {words.adjust}
            </Button>
          )}
          <Button
            variant="outline"
            size="sm"
            onClick={() => {
              removePrints(services, session, ids);
              onRemoved();
            }}
          >
            <Trash2 size={17} aria-hidden /> {words.remove(chosen)}
          </Button>
        </Flex>
      )}
    </>
  );
}

/** Size by size what is wanted, and the sum. */
function Bill({ prints }: { readonly prints: Prints }) {
  const project = useProject((s) => s.project);
  const { projectId } = useParams();
  const { lab } = project;
  const all = printBill(project, prints);
  const money = (amount: number) => formats.money(amount, lab?.currency);
  return (
    <Box px="5" py="4" borderTopWidth="1px" borderColor="oat.300" bg="oat.25">
      <Box as="dl" fontSize="14px" fontVariantNumeric="tabular-nums">
        {lab?.sizes.map((size) => {
          const bill = printBill(
            project,
            prints.filter((p) => p.print.sizeId === size.id),
          );
          return bill.count === 0 ? null : (
            <Flex key={size.id} justify="space-between" color="fg.muted">
              <Text as="dt">{orderWords.ofSize(bill.count, size.name)}</Text>
              <Text as="dd">{bill.price === undefined ? "" : money(bill.price)}</Text>
            </Flex>
          );
        })}
        <Flex justify="space-between" fontWeight="600" fontSize="16px" mt="1">
          <Text as="dt">{words.total}</Text>
          <Text as="dd" data-testid="print-price">
            {all.price === undefined ? words.noPrice : money(all.price)}
          </Text>
        </Flex>
      </Box>
      {all.price !== undefined && (
        <Text fontSize="13px" color="fg.subtle" mt="0.5">
          {words.shipping}
        </Text>
      )}
      <Button asChild size="lg" w="full" mt="3">
        <Link to={`/work/${projectId}/send`}>{words.order}</Link>
      </Button>
      <Button asChild variant="ghost" size="sm" w="full" mt="1">
        <Link to={`/work/${projectId}/sheets`}>
          <Scissors size={16} aria-hidden /> {words.cut}
        </Link>
      </Button>
    </Box>
  );
}
