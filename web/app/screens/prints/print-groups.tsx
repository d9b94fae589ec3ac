import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useMemo, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { findPage, printSize } from "#core/document";
import { mostCopies, printBill, type printsOf } from "#core/edit";
import { formats, prints as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { direction, type Pressed } from "../../commands/keys.ts";
import { useServices } from "../../services.ts";
import { openThe } from "../../state/edit/page-list.ts";
import { removePrints, setPrints } from "../../state/edit/prints.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { type Choice, choose, chooseAll, nothingChosen } from "../../state/view-state/choose.ts";
import { PrintCard, type PrintHandlers } from "./print-card.tsx";

type Prints = ReturnType<typeof printsOf>;

interface PrintGroupsProps {
  readonly prints: Prints;
  readonly choice: Choice;
  readonly onChoice: (choice: Choice) => void;
}

const longestPx = 190;
/** Sizes are shown to one scale, as far as the largest fits. */
const mostPxAMm = 0.78;

/** Every print as it comes out of the machine, by size. */
export function PrintGroups({ prints, choice, onChoice }: PrintGroupsProps) {
  const services = useServices();
  const session = useSession();
  const navigate = useNavigate();
  const { projectId } = useParams();
  const project = useProject((s) => s.project);
  const list = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<string>();
  const groups = useMemo(() => {
    const sizes = project.lab?.sizes ?? [];
    const known = sizes.map((size) => ({ size, prints: prints.filter((p) => p.print.sizeId === size.id) }));
    const gone = prints.filter((p) => !printSize(project, p.print));
    return [...known, { size: undefined, prints: gone }].filter((g) => g.prints.length > 0);
  }, [project, prints]);
  const ids = useMemo(() => groups.flatMap((g) => g.prints.map((p) => p.id)), [groups]);
  const stop = at !== undefined && ids.includes(at) ? at : ids[0];
  const longestMm = Math.max(1, ...groups.flatMap(({ size }) => (size ? [size.widthMm, size.heightMm] : [])));
  const scale = Math.min(mostPxAMm, longestPx / longestMm);

  const latest = useRef({ choice, onChoice, ids });
  latest.current = { choice, onChoice, ids };
  const handlers = useMemo((): PrintHandlers => {
    const copies = (id: string) => findPage(session.state.getState().project, id)?.print?.copies ?? 1;
    return {
      pick: (id, held) => {
        const now = latest.current;
        setAt(id);
        now.onChoice(choose(now.choice, now.ids, id, held));
      },
      open: (id) => {
        openThe(services, session, findPage(session.state.getState().project, id));
        void navigate(`/work/${projectId}/pages`);
      },
      step: (id, by) =>
        setPrints(session, new Set([id]), { copies: Math.min(mostCopies, Math.max(1, copies(id) + by)) }),
    };
  }, [services, session, navigate, projectId]);

  const meant = (): ReadonlySet<string> =>
    choice.ids.size > 0 ? choice.ids : new Set(stop === undefined ? [] : [stop]);
  const stepAll = (by: number) => {
    for (const id of meant()) handlers.step(id, by);
  };
  const go = (e: Pressed) => {
    const { x, y } = direction(e);
    const next = stop && ids[ids.indexOf(stop) + (x || y)];
    if (!next) return;
    setAt(next);
    list.current?.querySelector<HTMLElement>(`[data-print="${next}"]`)?.focus();
  };
  const onKeyDown = hears("prints", {
    toNext: go,
    choose: (e) => stop !== undefined && handlers.pick(stop, { shift: e.shiftKey, ctrl: true }),
    chooseAll: () => onChoice(chooseAll(ids)),
    more: () => stepAll(1),
    fewer: () => stepAll(-1),
    open: () => stop !== undefined && handlers.open(stop),
    remove: () => {
      removePrints(services, session, meant());
      onChoice(nothingChosen);
    },
    letGo: () => onChoice(nothingChosen),
  });

  return (
    <Box ref={list} onKeyDown={onKeyDown}>
      {groups.map(({ size, prints: those }) => {
        const bill = printBill(project, those);
        const name = size?.name ?? "?";
        return (
          <Box as="section" key={size?.id ?? ""} aria-label={words.group(name, bill.count)} mb="7">
            <Flex align="baseline" gap="3" mb="3">
              <Heading as="h2" fontSize="19px" fontWeight="540" fontVariantNumeric="tabular-nums">
                {name}
              </Heading>
              <Text fontSize="14px" color="fg.subtle" fontVariantNumeric="tabular-nums">
                {[
                  words.count(bill.count),
                  ...(bill.price === undefined ? [] : [formats.money(bill.price, project.lab?.currency)]),
                ].join(" · ")}
              </Text>
            </Flex>
            <Flex as="ul" gap="5" wrap="wrap" align="end" listStyleType="none">
              {those.map((page) => (
                <PrintCard
                  key={page.id}
                  page={page}
                  project={project}
                  scale={scale}
                  chosen={choice.ids.has(page.id)}
                  stop={page.id === stop}
                  handlers={handlers}
                />
              ))}
            </Flex>
          </Box>
        );
      })}
    </Box>
  );
}
