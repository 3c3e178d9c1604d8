import { defineConfig } from "astro/config";
import node from "@astrojs/node";
import react from "@astrojs/react";

export default defineConfig({
  output: "server",
  adapter: node({ mode: "standalone" }),
  integrations: [react()],
  devToolbar: { enabled: false },
  // Foreign origins are refused by our own guard, which also knows the port it listens on.
  security: { checkOrigin: false },
  vite: {
    worker: { format: "es" },
    build: { chunkSizeWarningLimit: 900 },
  },
});
