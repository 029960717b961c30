import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { compression, defineAlgorithm } from "vite-plugin-compression2";

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    // Compressed once, here, as well as can be; the server hands the files out as they are.
    compression({
      include: /\.(html|js|css|svg)$/,
      algorithms: [defineAlgorithm("brotliCompress"), defineAlgorithm("gzip", { level: 9 })],
    }),
  ],
  // The content security policy allows the page's own files and nothing inlined.
  build: { assetsInlineLimit: 0, target: "es2022" },
  server: { proxy: { "/api": "http://127.0.0.1:5710" } },
});
