import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter, Route, Routes } from "react-router";

import { BenchPage } from "@/bench/BenchPage";
import { DrawersPage } from "@/drawers/DrawersPage";
import "@/shared/style.css";
import { FirstSheet } from "@/table/FirstSheet";
import { TablePage } from "@/table/TablePage";

const queries = new QueryClient({
  // A frame's arrays are found by the very objects of its head, so none may be swapped for an older twin.
  defaultOptions: { queries: { structuralSharing: false, retry: 1, staleTime: Infinity, refetchOnWindowFocus: false } },
});

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <BrowserRouter>
        <Routes>
          <Route path="/" element={<FirstSheet />} />
          <Route path="/sheets/:sheetId" element={<TablePage />} />
          <Route path="/bench/:brushId" element={<BenchPage />} />
          <Route path="/drawers" element={<DrawersPage />} />
        </Routes>
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
