import { Button } from "@chakra-ui/react";
import { useNavigate, useParams } from "react-router";
import { pagesBefore } from "#core/document";
import type { Written, WrittenAt } from "#core/edit";
import type { Mention } from "#core/words";
import { writing as say } from "../../../text/index.ts";
import { PhotoThumb } from "../../components/photo-thumb.tsx";
import { useServices } from "../../services.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import css from "./words-screen.module.css";

interface MentionListProps {
  readonly written: readonly Written[];
  readonly mentions: readonly Mention[];
  readonly label: string;
  /** What can be done with one place. */
  readonly act?: { readonly name: string; readonly onAct: (mention: Mention) => void };
}

const around = 46;
const most = 300;

/** Places in what is written, each with some words around it. */
export function MentionList({ written, mentions, label, act }: MentionListProps) {
  const whereOf = useWhere();
  const go = useGo();
  return (
    <ul className={css.mentions} aria-label={label}>
      {mentions.slice(0, most).map((m) => {
        const { at, text } = written[m.text]!;
        return (
          <li key={`${m.text} ${m.from}`} className={css.mention}>
            <div className={css.small}>{at.in === "photo" && <PhotoThumb photoId={at.photoId} />}</div>
            <p className={css.quote}>
              {m.from > around && "… "}
              {text.slice(Math.max(0, m.from - around), m.from)}
              <mark>{text.slice(m.from, m.to)}</mark>
              {text.slice(m.to, m.to + around)}
              {m.to + around < text.length && " …"}
            </p>
            <span className={css.where}>{whereOf(at)}</span>
            <Button size="sm" variant="ghost" onClick={() => go(at)}>
              {say.go}
            </Button>
            {act && (
              <Button size="sm" variant="outline" onClick={() => act.onAct(m)}>
                {act.name}
              </Button>
            )}
          </li>
        );
      })}
    </ul>
  );
}

function useWhere(): (at: WrittenAt) => string {
  const pages = useProject((s) => s.project.pages);
  const before = pagesBefore(pages);
  return (at) => {
    if (at.in === "photo") return say.inPhoto;
    if (at.in === "spine") return say.inSpine;
    const i = pages.findIndex((p) => p.id === at.pageId);
    return i < 0 ? say.inCover : say.inTile(String(before[i]! + 1));
  };
}

/** Opens the place where something is written, with it chosen. */
function useGo(): (at: WrittenAt) => void {
  const { viewState } = useServices();
  const session = useSession();
  const navigate = useNavigate();
  const { projectId } = useParams();
  return (at) => {
    if (at.in === "photo") {
      viewState.setState({
        section: "photos",
        photos: { ids: new Set([at.photoId]), anchor: at.photoId },
        sheet: at.photoId,
      });
      void navigate(`/work/${projectId}/photos`);
      return;
    }
    if (at.in === "tile") {
      session.goTo(at.pageId);
      viewState.setState({
        tiles: { ids: new Set([at.tileId]), anchor: at.tileId },
        reframing: undefined,
        writing: undefined,
      });
    }
    void navigate(`/work/${projectId}/pages`);
  };
}
