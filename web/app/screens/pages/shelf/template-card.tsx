import { Box, HStack, IconButton } from "@chakra-ui/react";
import { FileOutput, PencilLine, PenTool, Star, Trash2 } from "lucide-react";
import { memo, useEffect, useMemo, useRef, useState } from "react";
import { mapTiles, type PlacedPage, placeAgain } from "#core/document";
import { bleedBox } from "#core/lab";
import { adapted, photoPlaces, placeColour, type Template, waitsFor } from "#core/templates";
import { common, templates as words } from "../../../../text/index.ts";
import { notices } from "../../../notices/notices.ts";
import { useServices } from "../../../services.ts";
import { laidBy } from "../../../state/edit/apply-template.ts";
import { useSession } from "../../../state/session/hooks.ts";
import { PageCard } from "./page-card.tsx";
import { useCardSize } from "./shelf-size.ts";

/** Under the picture, with what is around it. */
const wordsPx = 52;
/** Places bent less than this look as they were drawn. */
const asDrawn = 0.02;

interface TemplateCardProps {
  readonly template: Template;
  readonly page: PlacedPage;
  readonly stop: boolean;
  readonly starred: boolean;
  readonly own: boolean;
  readonly onLook: () => void;
  readonly onTake: () => void;
  readonly onTakeOut: () => void;
  /** Out as an SVG drawing. */
  readonly onDraw: () => void;
  readonly onEdit: () => void;
}

const withPlacesSeen = (on: PlacedPage): PlacedPage =>
  placeAgain(
    on,
    mapTiles(on.page, (t) => {
      const waits = waitsFor(t);
      return waits ? { ...t, filling: { kind: "colour", colour: placeColour[waits] } } : t;
    }),
  );

/** This page as a template would lay it out, solved for the page's own size. */
export const TemplateCard = memo(function TemplateCard(props: TemplateCardProps) {
  const at = useRef<HTMLDivElement>(null);
  const [near, setNear] = useState(false);
  useEffect(() => {
    if (!at.current) return;
    const watch = new IntersectionObserver((seen) => seen.some((e) => e.isIntersecting) && setNear(true), {
      rootMargin: "400px",
    });
    watch.observe(at.current);
    return () => watch.disconnect();
  }, []);
  const box = bleedBox(props.page.format);
  const { longPx, widePx } = useCardSize();
  const pictureH = (longPx * box.h) / Math.max(box.w, box.h);
  return (
    <Box
      ref={at}
      flexShrink="0"
      style={{ width: widePx, minHeight: Math.round(pictureH) + wordsPx }}
      position="relative"
      className="group"
    >
      {near && <Shown {...props} />}
    </Box>
  );
});

function Shown({ template, page, stop, starred, own, onLook, onTake, onTakeOut, onDraw, onEdit }: TemplateCardProps) {
  const services = useServices();
  const session = useSession();
  const laid = useMemo(() => placeAgain(page, laidBy(services, page, template, true).page), [services, page, template]);
  const picture = useMemo(() => withPlacesSeen(laid), [laid]);
  const bent = useMemo(() => adapted(template, page.format).bent, [template, page.format]);
  const places = words.places(photoPlaces(template));
  const fit = bent < asDrawn ? words.asDrawn : words.adapted;
  const look = () => {
    onLook();
    session.preview([{ type: "replacePage", page: laid.page }]);
  };
  const remove = async () => {
    await services.templates.remove(template.id);
    notices.create({
      title: words.removed(template.name),
      type: "info",
      action: { label: common.undoIt, onClick: () => void services.templates.keep([template]) },
    });
  };
  return (
    <>
      <PageCard
        page={picture}
        label={words.card(template.name, places, fit)}
        title={template.name}
        note={bent < asDrawn ? places : `${places}, ${words.adapted}`}
        stop={stop}
        onLook={look}
        onLeave={() => session.dropPreview()}
        onTake={onTake}
      />
      <HStack
        position="absolute"
        top="1"
        right="1"
        gap="0.5"
        opacity={starred ? 1 : 0}
        _groupHover={{ opacity: 1 }}
        _focusWithin={{ opacity: 1 }}
        css={{ "@media (pointer: coarse)": { opacity: 1 } }}
      >
        {own && (
          <>
            <Corner name={words.edit(template.name)} onAct={onEdit}>
              <PencilLine size={14} />
            </Corner>
            <Corner name={words.takeOutOne(template.name)} onAct={onTakeOut}>
              <FileOutput size={14} />
            </Corner>
            <Corner name={words.draw(template.name)} onAct={onDraw}>
              <PenTool size={14} />
            </Corner>
            <Corner name={words.remove(template.name)} onAct={() => void remove()}>
              <Trash2 size={14} />
            </Corner>
          </>
        )}
        <Corner
          name={words.favourite(template.name)}
          pressed={starred}
          onAct={() => void services.templates.toggleFavourite(template.id)}
        >
          <Star size={14} fill={starred ? "currentColor" : "none"} />
        </Corner>
      </HStack>
    </>
  );
}

interface CornerProps {
  readonly name: string;
  readonly pressed?: boolean;
  readonly onAct: () => void;
  readonly children: React.ReactNode;
}

function Corner({ name, pressed, onAct, children }: CornerProps) {
  return (
    <IconButton
      size="xs"
      minW="26px"
      h="26px"
      aria-label={name}
      title={name}
      aria-pressed={pressed}
      onClick={onAct}
      bg="rgba(253, 251, 247, .92)"
      color={pressed ? "saffron.700" : "ink.700"}
      borderRadius="full"
      _hover={{ bg: "oat.100" }}
    >
      {children}
    </IconButton>
  );
}
