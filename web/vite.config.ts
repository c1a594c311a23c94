/// <reference types="vitest/config" />
import react from "@vitejs/plugin-react";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

declare const process: { env: Record<string, string | undefined> };

/** Pages and fonts are kept on the device; what the server last said of a job is shown while there is no line. */
const offline = VitePWA({
  registerType: "prompt",
  injectRegister: false,
  manifest: {
    name: "Overturn",
    short_name: "Overturn",
    description: "From the complaint to the failed hydraulic part, one isolation test at a time",
    display: "standalone",
    background_color: "#f5f2ea",
    theme_color: "#1f2b31",
    icons: [
      { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
      { src: "/icon-512.png", sizes: "512x512", type: "image/png", purpose: "any" },
      { src: "/icon.svg", sizes: "any", type: "image/svg+xml", purpose: "maskable" },
    ],
  },
  workbox: {
    clientsClaim: true,
    globPatterns: ["**/*.{js,css,html,svg,png,woff2}"],
    navigateFallback: "/index.html",
    navigateFallbackDenylist: [/^\/api\//],
    runtimeCaching: [
      {
        urlPattern: ({ url, sameOrigin }) =>
          sameOrigin && /^\/api\/(words|catalogue|jobs|vehicles|workshop|session)/.test(url.pathname),
        handler: "NetworkFirst",
        options: {
          cacheName: "last-said",
          expiration: { maxEntries: 300, maxAgeSeconds: 14 * 24 * 3600 },
          cacheableResponse: { statuses: [200] },
          plugins: [
            {
              cachedResponseWillBeUsed: async ({ cachedResponse }) => {
                if (!cachedResponse) return null;
                const headers = new Headers(cachedResponse.headers);
                headers.set("Overturn-Kept", headers.get("Date") ?? "");
                return new Response(await cachedResponse.blob(), { status: 200, headers });
              },
            },
          ],
        },
      },
    ],
  },
});

export default defineConfig({
  plugins: [react(), tailwindcss(), offline],
  build: { outDir: "target/classes/static", emptyOutDir: true, assetsInlineLimit: 0 },
  server: { proxy: { "/api": `http://127.0.0.1:${process.env["OVERTURN_PORT"] ?? "8117"}` } },
  test: { include: ["src/**/*.test.{ts,tsx}"], testTimeout: 20_000 },
});
