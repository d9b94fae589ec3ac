import type { RouteObject } from "react-router";
import { FaultScreen } from "./components/fault.tsx";
import { Frame } from "./frame.tsx";

export const routes: RouteObject[] = [
  {
    element: <Frame />,
    errorElement: <FaultScreen />,
    hydrateFallbackElement: <></>,
    children: [
      {
        index: true,
        lazy: async () => ({ Component: (await import("./screens/start/start-screen.tsx")).StartScreen }),
      },
      {
        path: "photos",
        lazy: async () => ({ Component: (await import("./screens/photos/photos-screen.tsx")).PhotosScreen }),
      },
      { path: "labs", lazy: async () => ({ Component: (await import("./screens/labs/labs-screen.tsx")).LabsScreen }) },
      {
        path: "work/:projectId",
        lazy: async () => ({ Component: (await import("./open-project.tsx")).OpenProject }),
        children: [
          { index: true, lazy: async () => ({ Component: (await import("./open-project.tsx")).FirstScreen }) },
          {
            path: "photos",
            lazy: async () => ({ Component: (await import("./screens/photos/photos-screen.tsx")).PhotosScreen }),
          },
          {
            path: "pages",
            lazy: async () => ({ Component: (await import("./screens/pages/pages-screen.tsx")).PagesScreen }),
          },
          {
            path: "prints",
            lazy: async () => ({ Component: (await import("./screens/prints/prints-screen.tsx")).PrintsScreen }),
          },
          {
            path: "overview",
            lazy: async () => ({ Component: (await import("./screens/overview/overview-screen.tsx")).OverviewScreen }),
          },
          {
            path: "read",
            lazy: async () => ({ Component: (await import("./screens/reading/reading-screen.tsx")).ReadingScreen }),
          },
          {
            path: "words/:part?",
            lazy: async () => ({ Component: (await import("./screens/words/words-screen.tsx")).WordsScreen }),
          },
          {
            path: "check",
            lazy: async () => ({ Component: (await import("./screens/check/check-screen.tsx")).CheckScreen }),
          },
          {
            path: "orders",
            lazy: async () => ({ Component: (await import("./screens/orders/orders-screen.tsx")).OrdersScreen }),
          },
          {
            path: "sheets",
            lazy: async () => ({ Component: (await import("./screens/sheets/sheets-screen.tsx")).SheetsScreen }),
          },
          {
            path: "send",
            lazy: async () => ({ Component: (await import("./screens/send/send-screen.tsx")).SendScreen }),
          },
        ],
      },
      { path: "*", element: <FaultScreen missing /> },
    ],
  },
];
