import { Box, HStack, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** The name of a field before it, for those whose own label is only heard. */
export function Beside({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <HStack gap="2.5" mb="1">
      <Text fontSize="14px" fontWeight="500" color="fg.muted" w="72px" flexShrink="0" aria-hidden>
        {label}
      </Text>
      <Box flex="1">{children}</Box>
    </HStack>
  );
}

/** The name of a field over it, for those whose own label is only heard. */
export function FieldLabel({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <Box>
      <Text fontSize="14px" fontWeight="500" color="fg.muted" mb="1" aria-hidden>
        {label}
      </Text>
      {children}
    </Box>
  );
}
