import js from "@eslint/js";
import hooks from "eslint-plugin-react-hooks";
import { defineConfig } from "eslint/config";
import ts from "typescript-eslint";

/** The folders of the page from the ground up: each imports only from those before it. */
const floors = [
    "api",
    "shared",
    "marks",
    "day",
    "assignment",
    "power",
    "cards",
    "find",
    "bench",
    "locker",
    "pulls",
    "searches",
    "inspector",
    "board",
    "whatif",
    "live",
    "after",
    "season",
    "house",
    "home",
];

export default defineConfig(
    { ignores: ["dist", "src/api/schema.d.ts", "public"] },
    js.configs.recommended,
    ts.configs.recommended,
    hooks.configs.flat["recommended-latest"],
    ...floors.map((floor, i) => ({
        files: [`src/${floor}/**`],
        rules: {
            "no-restricted-imports": [
                "error",
                {
                    patterns: floors.slice(i + 1).map((above) => ({
                        group: [`**/${above}/*`],
                        message: `${floor} lies below ${above}: see docs/how-it-is-built.md.`,
                    })),
                },
            ],
        },
    })),
);
