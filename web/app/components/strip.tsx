import { HStack, Text } from "@chakra-ui/react";
import { CircleCheck, TriangleAlert } from "lucide-react";
import type { ReactNode } from "react";

const colours = {
  good: { bg: "moss.100", color: "moss.700", borderColor: "moss.400" },
  warn: { bg: "saffron.100", color: "saffron.700", borderColor: "saffron.400" },
  bad: { bg: "clay.100", color: "clay.700", borderColor: "clay.500" },
};

/** A line across the place that stays until its reason is gone. */
export function Strip({
  tone,
  children,
  action,
}: {
  readonly tone: "good" | "warn" | "bad";
  readonly children: ReactNode;
  readonly action?: ReactNode;
}) {
  const Icon = tone === "good" ? CircleCheck : TriangleAlert;
  return (
    <HStack
      role={tone === "good" ? "status" : "alert"}
      px="6"
      py="2"
      gap="3"
      borderBottomWidth="1px"
      {...colours[tone]}
    >
      <Icon size={18} aria-hidden />
      <Text flex="1" fontWeight="500">
        {children}
      </Text>
      {action}
    </HStack>
  );
}
