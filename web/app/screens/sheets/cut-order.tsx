import { Box, Heading, Text } from "@chakra-ui/react";
import type { DrawnSheet } from "#core/sheet-files";
import { formatOnRule } from "#core/units";
import { sheets as words } from "../../../text/index.ts";
import { useProject } from "../../state/session/hooks.ts";
import { isReadFromSide } from "./card-picture.tsx";
import css from "./cut-order.module.css";

interface CutOrderProps {
  readonly sheet: DrawnSheet;
  /** The cut that is pointed at, by its number. */
  readonly onOver: (number: number | undefined) => void;
}

/** The cuts in the order to make them, with the measure that the trimmer is set to. */
export function CutOrder({ sheet, onOver }: CutOrderProps) {
  const unit = useProject((s) => s.project.unit);
  const ppi = useProject((s) => s.project.format.ppi);
  const { cuts } = sheet.laid;
  return (
    <Box as="section" aria-label={words.cuts} mb="6">
      <Heading as="h3" fontFamily="body" fontSize="15px" fontWeight="600" mb="1">
        {words.cuts}
      </Heading>
      <Text fontSize="13.5px" color="fg.muted" mb="2.5">
        {cuts.length === 0 ? words.noCuts : words.cutsLead}
      </Text>
      <ol className={css.list}>
        {cuts.map((cut) => (
          <li
            key={cut.number}
            className={css.cut}
            onPointerEnter={() => onOver(cut.number)}
            onPointerLeave={() => onOver(undefined)}
          >
            <b>{cut.number}</b>
            <span>{words.cut(cut.way, formatOnRule(cut.setMm, unit, ppi), cut.waste, isReadFromSide(sheet))}</span>
          </li>
        ))}
      </ol>
    </Box>
  );
}
