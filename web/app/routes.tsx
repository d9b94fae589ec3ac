import type { RouteObject } from "react-router";
import { FaultPlace } from "./components/fault.tsx";
import { Frame } from "./frame.tsx";
import { StartPlace } from "./screens/start/start-screen.tsx";

export const routes: RouteObject[] = [
  {
    element: <Frame />,
    errorElement: <FaultPlace />,
    hydrateFallbackElement: <></>,
    children: [
      { index: true, element: <StartPlace /> },
      {
        path: "photos",
        lazy: async () => ({ Component: (await import("./screens/photos/photos-screen.tsx")).PhotosPlace }),
      },
      { path: "labs", lazy: async () => ({ Component: (await import("./screens/labs/labs-screen.tsx")).LabsPlace }) },
      {
        path: "work/:projectId",
        lazy: async () => ({ Component: (await import("./open-project.tsx")).OpenProject }),
        children: [
          {
            path: "photos",
            lazy: async () => ({ Component: (await import("./screens/photos/photos-screen.tsx")).PhotosPlace }),
          },
          {
            path: "pages",
            lazy: async () => ({ Component: (await import("./screens/pages/pages-screen.tsx")).PagesPlace }),
          },
          {
            path: "overview",
            lazy: async () => ({ Component: (await import("./screens/overview/overview-screen.tsx")).OverviewPlace }),
          },
          {
            path: "read",
            lazy: async () => ({ Component: (await import("./screens/reading/reading-screen.tsx")).ReadingPlace }),
          },
          {
            path: "check",
            lazy: async () => ({ Component: (await import("./screens/check/check-screen.tsx")).CheckPlace }),
          },
          {
            path: "orders",
            lazy: async () => ({ Component: (await import("./screens/orders/orders-screen.tsx")).OrdersPlace }),
          },
          {
            path: "sheets",
            lazy: async () => ({ Component: (await import("./screens/sheets/sheets-screen.tsx")).SheetsPlace }),
          },
          {
            path: "send",
            lazy: async () => ({ Component: (await import("./screens/send/send-screen.tsx")).SendPlace }),
          },
        ],
      },
      { path: "*", element: <FaultPlace missing /> },
    ],
  },
];
