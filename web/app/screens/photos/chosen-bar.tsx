import { Button, HStack, IconButton, Menu, Portal } from "@chakra-ui/react";
import { ChevronUp, Clock, Eye, EyeOff, LayoutGrid, Sparkles } from "lucide-react";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { useStore } from "zustand";
import type { Photo } from "#core/photo";
import { chosenWords as words } from "../../../text/index.ts";
import { PageForEach } from "../../components/page-for-each.tsx";
import { useServices } from "../../services.ts";
import { addPrints } from "../../state/edit/prints.ts";
import { type Putting, putPhotos, puttingsFor } from "../../state/edit/put-chosen.ts";
import { useMaybeSession } from "../../state/session/hooks.ts";
import type { ProjectSession } from "../../state/session/project-session.ts";
import { ChosenFrame } from "./chosen-frame.tsx";
import { Stars } from "./stars.tsx";
import { TimeDialog } from "./time-dialog.tsx";

/** What can be done with the chosen photos; it comes up when there are some. */
export function ChosenBar({ chosen }: { readonly chosen: readonly Photo[] }) {
  const services = useServices();
  const { library } = services;
  const session = useMaybeSession();
  const [retiming, setRetiming] = useState(false);
  if (chosen.length === 0) return null;
  const ids = chosen.map((p) => p.id);
  const allHidden = chosen.every((p) => p.hidden);
  const stars = chosen.every((p) => p.stars === chosen[0]!.stars) ? chosen[0]!.stars : undefined;

  return (
    <ChosenFrame
      chosen={chosen}
      end={session ? <ToPages session={session} chosen={chosen} /> : <MakeSomething count={chosen.length} />}
    >
      <Stars
        label={words.label}
        stars={stars}
        onStars={(n) => void library.edit("starred", ids, (p) => (p.stars === n ? p : { ...p, stars: n }))}
      />
      <Button
        size="sm"
        variant="ghost"
        onClick={() => void library.edit(allHidden ? "showed" : "hid", ids, (p) => ({ ...p, hidden: !allHidden }))}
      >
        {allHidden ? <Eye size={17} aria-hidden /> : <EyeOff size={17} aria-hidden />}{" "}
        {allHidden ? words.show : words.hide}
      </Button>
      <Button size="sm" variant="ghost" onClick={() => setRetiming(true)}>
        <Clock size={17} aria-hidden /> {words.time}
      </Button>
      {retiming && <TimeDialog chosen={chosen} onClose={() => setRetiming(false)} />}
    </ChosenFrame>
  );
}

/** Outside of a project: the chosen photos come along into what is made next. */
function MakeSomething({ count }: { readonly count: number }) {
  const { viewState } = useServices();
  const navigate = useNavigate();
  return (
    <Button
      size="sm"
      onClick={() => {
        viewState.setState({ carried: true });
        void navigate("/");
      }}
    >
      <Sparkles size={17} aria-hidden /> {words.make(count)}
    </Button>
  );
}

interface ToPagesProps {
  readonly session: ProjectSession;
  readonly chosen: readonly Photo[];
}

/** The likeliest way onto the pages as a button, and the others beside it. */
function ToPages({ session, chosen }: ToPagesProps) {
  const services = useServices();
  const navigate = useNavigate();
  const { projectId } = useParams();
  const project = useStore(session.state, (s) => s.project);
  const ways = useStore(session.state, (s) => puttingsFor(s).join(" ")).split(" ") as readonly Putting[];
  const [each, setEach] = useState(false);
  const sizes = project.kind === "prints" ? (project.lab?.sizes ?? []) : [];
  const go = (place: "pages" | "prints") => void navigate(`/work/${projectId}/${place}`);
  const put = (how: Putting) => putPhotos(services, session, chosen, how) && go("pages");
  const print = (sizeId: string) => {
    addPrints(services, session, chosen, sizeId);
    go("prints");
  };
  const first = sizes[0];
  const named =
    project.kind === "prints"
      ? sizes.map((s) => [s.id, words.printAs(chosen.length, s.name)] as const)
      : [
          ...ways.map((w) => [w, words.puttings[w](chosen.length)] as const),
          ...(chosen.length > 1 && project.kind !== "pockets" ? [["each", words.pageForEach] as const] : []),
        ];
  const does = (value: string) => {
    if (value === "each") setEach(true);
    else if (first) print(value);
    else put(value as Putting);
  };
  const [[main, label] = ["here", ""], ...others] = named;
  return (
    <HStack gap="0.5">
      <Button size="sm" onClick={() => does(main)}>
        <LayoutGrid size={17} aria-hidden /> {label}
      </Button>
      {others.length > 0 && (
        <Menu.Root onSelect={({ value }) => does(value)} positioning={{ placement: "top-end" }}>
          <Menu.Trigger asChild>
            <IconButton size="sm" aria-label={words.otherPuttings} title={words.otherPuttings}>
              <ChevronUp size={17} />
            </IconButton>
          </Menu.Trigger>
          <Portal>
            <Menu.Positioner>
              <Menu.Content bg="oat.25" borderRadius="card" boxShadow="lifted">
                {others.map(([value, name]) => (
                  <Menu.Item key={value} value={value}>
                    {name}
                  </Menu.Item>
                ))}
              </Menu.Content>
            </Menu.Positioner>
          </Portal>
        </Menu.Root>
      )}
      {each && <PageForEach photos={chosen} onClose={() => setEach(false)} onMade={() => go("pages")} />}
    </HStack>
  );
}
