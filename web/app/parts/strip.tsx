import { HStack, Text } from "@chakra-ui/react";
import { TriangleAlert } from "lucide-react";
import type { ReactNode } from "react";

/** A line across the place that stays until its reason is gone. */
export function Strip({
  tone,
  children,
  action,
}: {
  readonly tone: "warn" | "bad";
  readonly children: ReactNode;
  readonly action?: ReactNode;
}) {
  return (
    <HStack
      role="alert"
      px="6"
      py="2"
      gap="3"
      bg={tone === "bad" ? "clay.100" : "saffron.100"}
      color={tone === "bad" ? "clay.700" : "saffron.700"}
      borderBottomWidth="1px"
      borderColor={tone === "bad" ? "clay.500" : "saffron.400"}
    >
      <TriangleAlert size={18} aria-hidden />
      <Text flex="1" fontWeight="500">
        {children}
      </Text>
      {action}
    </HStack>
  );
}
