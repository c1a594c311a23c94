/// <reference types="vitest/config" />
import react from "@vitejs/plugin-react";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

declare const process: { env: Record<string, string | undefined> };

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { outDir: "target/classes/static", emptyOutDir: true, assetsInlineLimit: 0 },
  server: { proxy: { "/api": `http://127.0.0.1:${process.env["OVERTURN_PORT"] ?? "8117"}` } },
  test: { include: ["src/**/*.test.{ts,tsx}"] },
});
