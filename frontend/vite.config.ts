import vue from "@vitejs/plugin-vue";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [vue()],
  resolve: { alias: { "@": "/src" } },
  build: { target: "es2022", chunkSizeWarningLimit: 1200 },
  // A busy machine is no fault of what is tested.
  test: { testTimeout: 60_000, hookTimeout: 60_000 },
  server: { proxy: { "/api": "http://127.0.0.1:8017" } },
});
