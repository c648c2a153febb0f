import "@fontsource-variable/hanken-grotesk";
import "@fontsource-variable/jetbrains-mono";
import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import CssBaseline from "@mui/material/CssBaseline";
import { ThemeProvider } from "@mui/material/styles";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { ApiError } from "./api/client";
import { App } from "./App";
import { theme } from "./theme";

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
const styles = createCache({ key: "it", nonce, prepend: true });
const queries = new QueryClient({
  defaultOptions: {
    queries: { staleTime: 5_000, retry: (tries, error) => !(error instanceof ApiError) && tries < 2 },
  },
});

const root = document.getElementById("root");
if (!root) throw new Error("The page has no #root to draw into.");
createRoot(root).render(
  <StrictMode>
    <CacheProvider value={styles}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        <QueryClientProvider client={queries}>
          <BrowserRouter>
            <App />
          </BrowserRouter>
        </QueryClientProvider>
      </ThemeProvider>
    </CacheProvider>
  </StrictMode>,
);
