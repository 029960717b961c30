import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { viteSingleFile } from "vite-plugin-singlefile";

/** The page that stands by itself: everything in one file, into which the server writes a day. */
export default defineConfig({
  plugins: [react(), tailwindcss(), viteSingleFile({ removeViteModuleLoader: true })],
  publicDir: false,
  build: { target: "es2022", emptyOutDir: false, rolldownOptions: { input: "pocket.html" } },
});
