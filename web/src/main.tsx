import "./index.css";

import { notifyManager, QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { setNonce } from "get-nonce";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, RouterProvider } from "react-router";

import { onAnswer } from "./api";
import { ROUTES } from "./app/routes";
import { heard } from "./shared/away";
import { applyTheme, storedTheme } from "./shared/theme";

// Radix Dialog injects a style element: give it the page's nonce.
const nonce = document.querySelector<HTMLMetaElement>("meta[property=csp-nonce]")?.nonce;
if (nonce) setNonce(nonce);
applyTheme(storedTheme());
// A landed reading and the emptied outbox are drawn in one go.
notifyManager.setScheduler(queueMicrotask);

const root = document.getElementById("root");
if (!root) throw new Error("The page has no root element.");
const queries = new QueryClient({
  // Asked also where the browser thinks it is off the net: what is made is kept by the queue, not held back here.
  defaultOptions: {
    queries: { retry: false, staleTime: 2000, networkMode: "always" },
    mutations: { retry: false, networkMode: "always" },
  },
});
onAnswer(heard);
// A page is asked before typed work on it is left.
const router = createBrowserRouter(ROUTES);
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
