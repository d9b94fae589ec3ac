import { Box, Heading } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { LabCard } from "#core/lab";

export interface LabFormProps {
  readonly card: LabCard;
  readonly onCard: (card: LabCard) => void;
}

/** One part of a lab's card, under its title. */
export function Part({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <Box as="section" aria-label={title} mt="7" pt="5" borderTopWidth="1px" borderColor="oat.200">
      <Heading as="h2" fontSize="19px" fontWeight="540" mb="3">
        {title}
      </Heading>
      {children}
    </Box>
  );
}
