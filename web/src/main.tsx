import { notifyManager, QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, Link, Outlet, RouterProvider, type RouteObject } from "react-router";
import { CopyStrip } from "./cards/CopyStrip";
import { FindLine } from "./find/FindLine";
import { Home } from "./home/Home";
import { isHouse } from "./api/token";
import { assignmentsQuery } from "./shared/assignments";
import { useFocusKept } from "./shared/useFocusKept";
import "./styles.css";

// An answer is drawn when it is there, not when a timer comes round.
notifyManager.setScheduler(queueMicrotask);

const queries = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: 5_000 } } });

function App() {
  useFocusKept();
  return (
    <>
      <Outlet />
      {!isHouse && (
        <>
          <FindLine />
          <CopyStrip />
        </>
      )}
    </>
  );
}

/** A page that is loaded when it is opened: the start page need not wait for what it does not show. */
const opened = (path: string, Component: () => Promise<React.ComponentType>): RouteObject => ({
  path,
  // All of it at once: of what is loaded piece by piece the router says nothing when it fails.
  lazy: async () => ({ Component: await Component() }),
});

const pages: RouteObject[] = [
  { path: "/", element: <Home /> },
  opened("/locker", async () => (await import("./locker/Locker")).Locker),
  opened("/locker/import", async () => (await import("./locker/ImportPage")).ImportPage),
  opened("/locker/labels", async () => (await import("./locker/Labels")).Labels),
  opened("/locker/insurance", async () => (await import("./locker/Insured")).Insured),
  opened("/season", async () => (await import("./season/Season")).Season),
  opened("/phones", async () => (await import("./house/Phones")).Phones),
  opened("/house", async () => (await import("./house/HouseHome")).HouseHome),
  opened("/house/pair", async () => (await import("./house/Pair")).Pair),
  opened("/house/:assignment/lists", async () => (await import("./lists/Lists")).Lists),
  opened("/house/:assignment/live", async () => (await import("./live/Live")).Live),
  opened("/house/:assignment/record", async () => (await import("./live/RecordHome")).RecordHome),
  opened("/:assignment/on-the-day", async () => (await import("./live/Desk")).Desk),
  opened("/:assignment/afterwards", async () => (await import("./after/After")).After),
  opened("/:assignment/live", async () => (await import("./live/Live")).Live),
  opened("/:assignment/what-if", async () => (await import("./whatif/WhatIf")).WhatIf),
  opened("/:assignment/power", async () => (await import("./power/Power")).Power),
  opened("/:assignment/cards", async () => (await import("./cards/Cards")).Cards),
  opened("/:assignment/bags", async () => (await import("./bags/Bags")).Bags),
  opened("/:assignment/manifest", async () => (await import("./bags/ManifestPage")).ManifestPage),
  opened("/:assignment/lists", async () => (await import("./lists/Lists")).Lists),
  opened("/:assignment/day", async () => (await import("./board/Board")).Board),
  { path: "*", element: <Nowhere /> },
];

function Nowhere() {
  return (
    <main className="p-6 text-lg">
      <h1>There is nothing at this address.</h1>
      <Link to="/" className="underline">
        All assignments
      </Link>
    </main>
  );
}

const Opening = () => <main className="p-6 text-quiet">Opening …</main>;

/** The program was renewed while the page stood open, or cannot be reached, so that a page cannot be had; or one failed while it was drawn. */
const NotOpened = () => (
  <main className="p-6 text-lg" role="alert">
    <h1>This page could not be opened. What you changed is kept.</h1>
    <p>See that Yoke Pair is running, then open it again.</p>
    <button className="webbing mt-2" onClick={() => location.reload()}>
      Open it again
    </button>
  </main>
);

const router = createBrowserRouter([
  { element: <App />, HydrateFallback: Opening, errorElement: <NotOpened />, children: pages },
]);

// What the start page tells is asked for while the page is being made ready; whatever is wrong with the answer the page says.
if (location.pathname === "/") void queries.prefetchQuery(assignmentsQuery);

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
