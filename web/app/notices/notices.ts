import type { CreateToasterReturn } from "@chakra-ui/react";

type Notice = Parameters<CreateToasterReturn["create"]>[0];

/** Says what just happened, with a way back where there is one. What draws it comes after the first screen. */
export const notices = {
  create: (notice: Notice): void => void import("./notice-stack.tsx").then(({ put }) => put(notice)),
};
