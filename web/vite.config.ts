import { readFileSync, statSync } from "node:fs";
import react from "@vitejs/plugin-react";
import { load } from "js-yaml";
import type { Plugin } from "vite";
import { VitePWA } from "vite-plugin-pwa";
import { defineConfig } from "vitest/config";
import { filesOf, SHEET } from "./bundles.ts";

// What the server does with the page and its texts, while one develops: in English.
const TEXTS = "/texts/en.json";
const developing: Plugin = {
  name: "texts-while-developing",
  apply: "serve",
  transformIndexHtml: (html) =>
    html.replace("__LOCALE__", "en").replace("__TEXTS__", `{&quot;en&quot;:&quot;${TEXTS}&quot;}`),
  configureServer: (server) => {
    server.middlewares.use(TEXTS, (_, response) => {
      const { en } = load(readFileSync("locales/en.yml", "utf8")) as { en: { web: object } };
      response.end(JSON.stringify(en.web));
    });
  },
};

// The server replaces __NONCE__, __LOCALE__ and __TEXTS__ in each answer with a nonce of its own.
export default defineConfig({
  plugins: [
    react(),
    developing,
    // Keeps the week sheet at hand without a connection: its files (and no teacher's
    // page), the page, and the sheet as it was last seen. Only what lies under /s/ is
    // answered from there; a newer build drops the files of the one before.
    VitePWA({
      scope: "/s/",
      injectRegister: null,
      manifest: false,
      filename: "sw.js",
      workbox: {
        globPatterns: ["assets/*"],
        globIgnores: ["assets/verovio*"],
        cleanupOutdatedCaches: true,
        skipWaiting: true,
        clientsClaim: true,
        navigateFallback: null,
        manifestTransforms: [
          async (entries) => {
            const wanted = filesOf("index.html", ...SHEET);
            return { manifest: entries.filter((entry) => wanted.has(entry.url)), warnings: [] };
          },
        ],
        runtimeCaching: [
          {
            urlPattern: ({ url }) => url.pathname.startsWith("/s/"),
            handler: "NetworkFirst",
            options: { cacheName: "sheet-page" },
          },
          {
            urlPattern: ({ url }) => url.pathname.startsWith("/texts/"),
            handler: "CacheFirst",
            options: { cacheName: "texts", expiration: { maxEntries: 4 } },
          },
          // The sheet alone: neither its print nor its sounds and notes.
          {
            urlPattern: ({ url }) => /^\/api\/sheet\/[^/]+$/.test(url.pathname),
            handler: "NetworkFirst",
            options: { cacheName: "sheet" },
          },
          // What a step shows on request: notes, and their engraver.
          {
            urlPattern: ({ url }) => url.pathname.startsWith("/assets/"),
            handler: "CacheFirst",
            options: { cacheName: "sheet-assets", expiration: { maxEntries: 20 } },
          },
        ],
      },
    }),
  ],
  define: { ENGRAVER_BYTES: statSync("node_modules/verovio/dist/verovio-module.mjs").size },
  html: { cspNonce: "__NONCE__" },
  // The engraver is one large file of its own, loaded beside the rest where there are notes.
  build: {
    manifest: true,
    assetsInlineLimit: 0,
    modulePreload: { polyfill: false },
    chunkSizeWarningLimit: 9000,
  },
  test: { setupFiles: ["vitest.setup.ts"] },
  server: { proxy: { "/api": "http://127.0.0.1:4310" } },
});
