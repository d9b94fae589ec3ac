import { Box } from "@chakra-ui/react";
import { arrangedOn, type PlacedPage } from "#core/document";
import { bleedBox } from "#core/lab";

interface BarePlacesProps {
  readonly page: PlacedPage;
  /** CSS pixels for one mm. */
  readonly scale: number;
}

/** The places of a page as plain fields, for as long as there are no photos to show in them. */
export function BarePlaces({ page, scale }: BarePlacesProps) {
  const box = bleedBox(page.format);
  return arrangedOn(page).map((t) => (
    <Box
      key={t.id}
      position="absolute"
      bg="oat.200"
      left={`${(t.frame.centre.x - t.frame.width / 2 - box.x) * scale}px`}
      top={`${(t.frame.centre.y - t.frame.height / 2 - box.y) * scale}px`}
      w={`${t.frame.width * scale}px`}
      h={`${t.frame.height * scale}px`}
    />
  ));
}
