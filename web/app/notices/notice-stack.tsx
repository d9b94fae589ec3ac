import { Box, Button, createToaster, HStack, Text, Toast, Toaster } from "@chakra-ui/react";
import { common } from "../../text/index.ts";

/** On the side and at the height where no buttons are: those of the shelf stand on the right, those of choices lower. */
const most = 3;
const stack = createToaster({
  placement: "bottom-start",
  pauseOnPageIdle: true,
  max: most,
  offsets: "66px",
  overlap: false,
  gap: 12,
});

/**
 * A way back stays long enough to be read and thought over. Where there is no room for one more the oldest goes, and of what went wrong the oldest only
 * where there is nothing else.
 */
export function put(notice: Parameters<typeof stack.create>[0]): void {
  const shown = stack.getVisibleToasts();
  const oldest = shown.filter((n) => n.type !== "error").at(-1) ?? shown.at(-1);
  // At once: one that is only on its way out still takes the place of the next.
  if (shown.length >= most && oldest?.id) stack.remove(oldest.id);
  stack.create(notice.action ? { duration: 20_000, ...notice } : notice);
}

/** Short words about what just happened, with a way back where there is one. */
export function NoticeStack() {
  return (
    <Toaster toaster={stack}>
      {(notice) => (
        <Toast.Root
          bg="ink.900"
          color="oat.50"
          borderRadius="card"
          boxShadow="lifted"
          px="4"
          py="2.5"
          w="max-content"
          maxW="560px"
          alignItems="center"
          // What lies under a notice can be used as if it were not there; only its own buttons take the pointer.
          css={{
            pointerEvents: "none !important",
            "& [data-ghost]": { pointerEvents: "none !important" },
            "& button": { pointerEvents: "auto" },
          }}
        >
          <HStack gap="4">
            <Box
              w="8px"
              h="8px"
              borderRadius="full"
              flexShrink="0"
              bg={notice.type === "error" ? "clay.500" : notice.type === "success" ? "moss.400" : "saffron.400"}
            />
            <Toast.Title asChild>
              <Text fontSize="15px" fontWeight="500">
                {notice.title}
              </Text>
            </Toast.Title>
            {notice.action && (
              <Toast.ActionTrigger asChild>
                <Button size="sm" variant="outline" onClick={notice.action.onClick}>
                  {notice.action.label}
                </Button>
              </Toast.ActionTrigger>
            )}
            <Button
              size="sm"
              variant="ghost"
              color="oat.300"
              _hover={{ bg: "ink.700", color: "oat.50" }}
              onClick={() => stack.dismiss(notice.id)}
            >
              {common.close}
            </Button>
          </HStack>
        </Toast.Root>
      )}
    </Toaster>
  );
}
