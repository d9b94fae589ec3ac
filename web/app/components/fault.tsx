import { Button, Heading, Text, VStack } from "@chakra-ui/react";
import { Link } from "react-router";
import { fault } from "../../text/index.ts";

/** Where one ends up when a place fails, or is not there. */
export function FaultScreen({ missing = false }: { readonly missing?: boolean }) {
  return (
    <VStack h="full" justify="center" gap="4" textAlign="center" p="8">
      <Heading as="h1" fontSize="28px">
        {missing ? fault.notHere : fault.title}
      </Heading>
      <Text color="fg.muted" maxW="440px">
        {missing ? fault.notHereBody : fault.body}
      </Text>
      <Button asChild>
        <Link to="/">{fault.back}</Link>
      </Button>
    </VStack>
  );
}
