import { notifyManager, QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { lazy, StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter, Link, Route, Routes } from "react-router";
import { Board } from "./board/Board";
import { CopyStrip } from "./cards/CopyStrip";
import { FindLine } from "./find/FindLine";
import { Home } from "./home/Home";
import { isHouse } from "./api/token";
import { Locker } from "./locker/Locker";
import { Power } from "./power/Power";
import { useFocusKept } from "./shared/useFocusKept";
import "./styles.css";

// What is opened after the day is loaded when it is opened.
const Cards = lazy(() => import("./cards/Cards").then((m) => ({ default: m.Cards })));
const WhatIf = lazy(() => import("./whatif/WhatIf").then((m) => ({ default: m.WhatIf })));
const ImportPage = lazy(() => import("./locker/ImportPage").then((m) => ({ default: m.ImportPage })));
const Labels = lazy(() => import("./locker/Labels").then((m) => ({ default: m.Labels })));
const Bags = lazy(() => import("./bags/Bags").then((m) => ({ default: m.Bags })));
const ManifestPage = lazy(() => import("./bags/ManifestPage").then((m) => ({ default: m.ManifestPage })));
const Phones = lazy(() => import("./house/Phones").then((m) => ({ default: m.Phones })));
const Pair = lazy(() => import("./house/Pair").then((m) => ({ default: m.Pair })));
const HouseHome = lazy(() => import("./house/HouseHome").then((m) => ({ default: m.HouseHome })));
const Desk = lazy(() => import("./live/Desk").then((m) => ({ default: m.Desk })));
const Live = lazy(() => import("./live/Live").then((m) => ({ default: m.Live })));
const RecordHome = lazy(() => import("./live/RecordHome").then((m) => ({ default: m.RecordHome })));
const After = lazy(() => import("./after/After").then((m) => ({ default: m.After })));
const Season = lazy(() => import("./season/Season").then((m) => ({ default: m.Season })));
const Insured = lazy(() => import("./locker/Insured").then((m) => ({ default: m.Insured })));
const Lists = lazy(() => import("./lists/Lists").then((m) => ({ default: m.Lists })));

// An answer is drawn when it is there, not when a timer comes round.
notifyManager.setScheduler(queueMicrotask);

const queries = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: 5_000 } } });

function App() {
  useFocusKept();
  return (
    <>
      <Suspense fallback={<main className="p-6 text-quiet">Opening …</main>}>
        <Routes>
          <Route path="/" element={<Home />} />
          <Route path="/locker" element={<Locker />} />
          <Route path="/locker/import" element={<ImportPage />} />
          <Route path="/locker/labels" element={<Labels />} />
          <Route path="/locker/insurance" element={<Insured />} />
          <Route path="/season" element={<Season />} />
          <Route path="/phones" element={<Phones />} />
          <Route path="/house" element={<HouseHome />} />
          <Route path="/house/pair" element={<Pair />} />
          <Route path="/house/:assignment/lists" element={<Lists />} />
          <Route path="/house/:assignment/live" element={<Live />} />
          <Route path="/house/:assignment/record" element={<RecordHome />} />
          <Route path="/:assignment/on-the-day" element={<Desk />} />
          <Route path="/:assignment/afterwards" element={<After />} />
          <Route path="/:assignment/live" element={<Live />} />
          <Route path="/:assignment/what-if" element={<WhatIf />} />
          <Route path="/:assignment/power" element={<Power />} />
          <Route path="/:assignment/cards" element={<Cards />} />
          <Route path="/:assignment/bags" element={<Bags />} />
          <Route path="/:assignment/manifest" element={<ManifestPage />} />
          <Route path="/:assignment/lists" element={<Lists />} />
          <Route path="/:assignment/day" element={<Board />} />
          <Route path="*" element={<Nowhere />} />
        </Routes>
      </Suspense>
      {!isHouse && (
        <>
          <FindLine />
          <CopyStrip />
        </>
      )}
    </>
  );
}

const Nowhere = () => (
  <main className="p-6 text-lg">
    <h1>There is nothing at this address.</h1>
    <Link to="/" className="underline">
      All assignments
    </Link>
  </main>
);

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <BrowserRouter>
        <App />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
