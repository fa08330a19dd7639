import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { ErrorBoundary } from "react-error-boundary";
import { BrowserRouter, Route, Routes } from "react-router";

import "@/shared/style.css";
import { isUnreached, Refusal } from "@/shared/api/request";
import { Announcer } from "@/shared/ui/Announcer";
import { Failed } from "@/shared/ui/Failed";
import { later, whenIdle } from "@/shared/later";
import { NoPage } from "@/shared/ui/NoPage";
import { Waiting } from "@/shared/ui/Waiting";

const SheetsPage = later(() => import("@/sheets/SheetsPage").then((room) => room.SheetsPage));
const TablePage = later(() => import("@/table/TablePage").then((room) => room.TablePage));
const BenchPage = later(() => import("@/bench/BenchPage").then((room) => room.BenchPage));
const SchedulePage = later(() => import("@/schedule/SchedulePage").then((room) => room.SchedulePage));
const LibraryPage = later(() => import("@/library/LibraryPage").then((room) => room.LibraryPage));

// The view that is asked for is fetched while the page starts, the Table, which is gone to most, after it.
const { pathname } = window.location;
if (pathname === "/") SheetsPage.fetch();
else if (pathname.endsWith("/schedule")) SchedulePage.fetch();
else if (pathname.startsWith("/sheets/")) TablePage.fetch();
whenIdle(TablePage.fetch);

/** What could not be reached is asked for again after so long, ms. */
const AGAIN = 2_000;

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // A frame's arrays are found by the very objects of its head, so none may be swapped for an older twin.
      structuralSharing: false,
      retry: (count, error) => count < 1 && !(error instanceof Refusal),
      staleTime: Infinity,
      refetchOnWindowFocus: false,
      refetchInterval: ({ state }) => (isUnreached(state.error) ? AGAIN : false),
    },
  },
});

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <BrowserRouter>
        <ErrorBoundary FallbackComponent={Failed} onReset={() => void queries.resetQueries()}>
          <Waiting />
          <Suspense>
            <Announcer />
            <Routes>
              <Route path="/" element={<SheetsPage />} />
              <Route path="/sheets/:sheetId" element={<TablePage />} />
              <Route path="/sheets/:sheetId/schedule" element={<SchedulePage />} />
              <Route path="/bench/:brushId" element={<BenchPage />} />
              <Route path="/library" element={<LibraryPage />} />
              <Route path="*" element={<NoPage />} />
            </Routes>
          </Suspense>
        </ErrorBoundary>
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
