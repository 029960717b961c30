import js from "@eslint/js";
import hooks from "eslint-plugin-react-hooks";
import { defineConfig } from "eslint/config";
import ts from "typescript-eslint";

export default defineConfig(
    { ignores: ["dist", "src/api/schema.d.ts", "public"] },
    js.configs.recommended,
    ts.configs.recommended,
    hooks.configs.flat["recommended-latest"],
);
