import "@fontsource-variable/atkinson-hyperlegible-next";
import { ChakraProvider } from "@chakra-ui/react";
import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { Trouble } from "./api/client";
import { keepFocus } from "./components/keepFocus";
import { Pages } from "./pages/Pages";
import { looks, wear } from "./theme/looks";
import { system } from "./theme/system";
import { begin } from "./words";
import "./theme/print.css";

wear(looks());
keepFocus();

// Styles made at run time carry the page's nonce, as the server's policy asks.
const nonce = document.querySelector<HTMLMetaElement>("meta[property=csp-nonce]")?.nonce;
const styles = createCache({ key: "css", nonce });

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (times, error) => error instanceof Trouble && error.problem.status === 0 && times < 2,
      // A server that is stopped is said so within two seconds.
      retryDelay: 500,
      staleTime: 5_000,
      networkMode: "always",
      // What is not there is not asked for again by looking at it.
      refetchOnWindowFocus: (query) => query.state.status !== "error",
    },
    // Without a connection a saving fails and says so; it does not wait in silence.
    mutations: { networkMode: "always" },
  },
});

// The page comes in the language the browser asks for.
await begin(document.documentElement.lang);

createRoot(document.getElementById("root") as HTMLElement).render(
  <StrictMode>
    <CacheProvider value={styles}>
      <ChakraProvider value={system}>
        <QueryClientProvider client={queries}>
          <BrowserRouter>
            <Pages />
          </BrowserRouter>
        </QueryClientProvider>
      </ChakraProvider>
    </CacheProvider>
  </StrictMode>,
);
