import { Box, Heading } from "@chakra-ui/react";

export function Section({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  return (
    <Box as="section" mb="7">
      <Heading as="h2" fontSize="18px" fontWeight="560" mb="3">
        {title}
      </Heading>
      {children}
    </Box>
  );
}
