import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { lazy, StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { ErrorBoundary } from "react-error-boundary";
import { BrowserRouter, Route, Routes } from "react-router";

import "@/shared/style.css";
import { Announcer } from "@/shared/ui/Announcer";
import { Failed } from "@/shared/ui/Failed";
import { SheetsPage } from "@/sheets/SheetsPage";
import { TablePage } from "@/table/TablePage";

// The Table comes first: the other views are fetched when they are gone to.
const BenchPage = lazy(() => import("@/bench/BenchPage").then((room) => ({ default: room.BenchPage })));
const LibraryPage = lazy(() => import("@/library/LibraryPage").then((room) => ({ default: room.LibraryPage })));

const queries = new QueryClient({
  // A frame's arrays are found by the very objects of its head, so none may be swapped for an older twin.
  defaultOptions: { queries: { structuralSharing: false, retry: 1, staleTime: Infinity, refetchOnWindowFocus: false } },
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
              <Route path="/bench/:brushId" element={<BenchPage />} />
              <Route path="/library" element={<LibraryPage />} />
            </Routes>
          </Suspense>
        </ErrorBoundary>
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
