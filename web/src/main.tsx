import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { App } from "./App";
import { registerSW } from "virtual:pwa-register";
import { api, Refusal } from "./domain/api";
import { offerNewVersion } from "./domain/line";
import { WAS_SIGNED_IN } from "./domain/session";
import { showTheme } from "./domain/settings";
import "./index.css";

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      networkMode: "always",
      retry: (count, error) => error instanceof Refusal && error.passing && count < 2,
    },
  },
});

/** What every page needs, and the job that this one is about, are asked for before anything is drawn. */
void queries.prefetchQuery({ queryKey: ["session"], queryFn: api.session, staleTime: 60_000 });
const wasSignedIn = localStorage.getItem(WAS_SIGNED_IN) !== null;
if (wasSignedIn) void queries.prefetchQuery({ queryKey: ["words"], queryFn: api.words, staleTime: Infinity });
if (wasSignedIn) void queries.prefetchQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
const jobId = /^\/jobs\/([^/]+)/.exec(window.location.pathname)?.[1];
if (wasSignedIn && jobId !== undefined)
  void queries.prefetchQuery({ queryKey: ["job", jobId], queryFn: () => api.job(jobId) });

const renew = registerSW({ onNeedRefresh: () => offerNewVersion(() => void renew(true)) });

showTheme();
const root = document.getElementById("root");
if (!root) throw new Error("Impossible: the page has no root");
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <App />
    </QueryClientProvider>
  </StrictMode>,
);
