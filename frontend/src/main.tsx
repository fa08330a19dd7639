import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { lazy, StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { ErrorBoundary } from "react-error-boundary";
import { BrowserRouter, Route, Routes } from "react-router";

import "@/shared/style.css";
import { isUnreached, Refusal } from "@/shared/api/request";
import { Announcer } from "@/shared/ui/Announcer";
import { Failed } from "@/shared/ui/Failed";
import { SheetsPage } from "@/sheets/SheetsPage";
import { NoPage } from "@/shared/ui/NoPage";
import { TablePage } from "@/table/TablePage";

// The Table comes first: the other views are fetched when they are gone to.
const BenchPage = lazy(() => import("@/bench/BenchPage").then((room) => ({ default: room.BenchPage })));
const SchedulePage = lazy(() => import("@/schedule/SchedulePage").then((room) => ({ default: room.SchedulePage })));
const LibraryPage = lazy(() => import("@/library/LibraryPage").then((room) => ({ default: room.LibraryPage })));

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
