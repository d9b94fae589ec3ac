import "@fontsource-variable/fraunces/soft.css";
import "@fontsource-variable/source-sans-3/wght.css";
import { ChakraProvider } from "@chakra-ui/react";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { lazy, StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, RouterProvider } from "react-router";
import { CannotOpen } from "./app/components/cannot-open.tsx";
import { routes } from "./app/routes.tsx";
import { openServices, ServicesContext } from "./app/services.ts";
import { system } from "./app/theme/system.ts";
import { storeErrorFrom } from "./storage/store.ts";
import { language } from "./text/index.ts";

document.documentElement.lang = language;

const NoticeStack = lazy(() => import("./app/notices/notice-stack.tsx").then((m) => ({ default: m.NoticeStack })));
const root = createRoot(document.getElementById("root")!);
const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 5 * 60_000, retry: 1, networkMode: "always" } },
});
// Before the photos are read: the router fetches the first place's program meanwhile.
const router = createBrowserRouter(routes);
const opened = await openServices().then(
  (services) => ({ services }),
  (why: unknown) => ({ why: storeErrorFrom(why).code }),
);

root.render(
  <StrictMode>
    <ChakraProvider value={system}>
      <QueryClientProvider client={queries}>
        {"services" in opened ? (
          <ServicesContext.Provider value={opened.services}>
            <RouterProvider router={router} />
            <Suspense>
              <NoticeStack />
            </Suspense>
          </ServicesContext.Provider>
        ) : (
          <CannotOpen code={opened.why} />
        )}
      </QueryClientProvider>
    </ChakraProvider>
  </StrictMode>,
);

// Keeps the built application for times when the server is off.
// On a full disk even this could cost everything that is kept.
const mayUpdate = "services" in opened && !opened.services.keeping?.state.getState().full;
if (import.meta.env.PROD && mayUpdate && "serviceWorker" in navigator)
  void navigator.serviceWorker.register("/sw.js").catch(() => {});
