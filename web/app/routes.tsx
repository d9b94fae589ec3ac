import type { RouteObject } from "react-router";
import { Frame } from "./frame.tsx";
import { FaultPlace } from "./parts/fault.tsx";
import { StartPlace } from "./places/start/start-place.tsx";

export const routes: RouteObject[] = [
  {
    element: <Frame />,
    errorElement: <FaultPlace />,
    hydrateFallbackElement: <></>,
    children: [
      { index: true, element: <StartPlace /> },
      {
        path: "photos",
        lazy: async () => ({ Component: (await import("./places/photos/photos-place.tsx")).PhotosPlace }),
      },
      { path: "labs", lazy: async () => ({ Component: (await import("./places/labs/labs-place.tsx")).LabsPlace }) },
      {
        path: "work/:projectId",
        lazy: async () => ({ Component: (await import("./open-project.tsx")).OpenProject }),
        children: [
          {
            path: "photos",
            lazy: async () => ({ Component: (await import("./places/photos/photos-place.tsx")).PhotosPlace }),
          },
          {
            path: "pages",
            lazy: async () => ({ Component: (await import("./places/pages/pages-place.tsx")).PagesPlace }),
          },
          {
            path: "overview",
            lazy: async () => ({ Component: (await import("./places/overview/overview-place.tsx")).OverviewPlace }),
          },
          {
            path: "read",
            lazy: async () => ({ Component: (await import("./places/reading/reading-place.tsx")).ReadingPlace }),
          },
          {
            path: "check",
            lazy: async () => ({ Component: (await import("./places/check/check-place.tsx")).CheckPlace }),
          },
          {
            path: "orders",
            lazy: async () => ({ Component: (await import("./places/orders/orders-place.tsx")).OrdersPlace }),
          },
          {
            path: "sheets",
            lazy: async () => ({ Component: (await import("./places/sheets/sheets-place.tsx")).SheetsPlace }),
          },
          { path: "send", lazy: async () => ({ Component: (await import("./places/send/send-place.tsx")).SendPlace }) },
        ],
      },
      { path: "*", element: <FaultPlace missing /> },
    ],
  },
];
