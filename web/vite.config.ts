import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

// The server replaces __NONCE__ in each answer with a nonce of its own.
export default defineConfig({
  plugins: [react()],
  html: { cspNonce: "__NONCE__" },
  // The engraver is one large chunk of its own, loaded when notes are first shown.
  build: { assetsInlineLimit: 0, modulePreload: { polyfill: false }, chunkSizeWarningLimit: 9000 },
  server: { proxy: { "/api": "http://127.0.0.1:4310" } },
});
