import { Box, Text } from "@chakra-ui/react";
import { memo } from "react";
import { NavLink } from "react-router";

interface StationProps {
  readonly to: string;
  readonly name: string;
  readonly state: string;
  readonly tone?: string | undefined;
}

/** A place of the walk through the job, and how things stand there. */
export const Station = memo(function Station({ to, name, state, tone }: StationProps) {
  return (
    <NavLink to={to}>
      {({ isActive }) => (
        <Box
          px="3"
          py="1"
          borderRadius="soft"
          bg={isActive ? "oat.200" : "transparent"}
          _hover={{ bg: "oat.200" }}
          lineHeight="1.15"
          textAlign="center"
          // As wide whatever it says: what is said changes while one is on the way to it with the pointer.
          w="116px"
          whiteSpace="nowrap"
          overflow="hidden"
          textOverflow="ellipsis"
        >
          <Text as="span" display="block" fontWeight="600" fontSize="15px" color={isActive ? "ink.900" : "ink.700"}>
            {name}
          </Text>
          <Text
            as="span"
            display="block"
            fontSize="12.5px"
            color={tone ?? "fg.subtle"}
            fontVariantNumeric="tabular-nums"
          >
            {state}
          </Text>
        </Box>
      )}
    </NavLink>
  );
});
