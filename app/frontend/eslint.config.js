import js from "@eslint/js";
import globals from "globals";

export default [
  js.configs.recommended,
  {
    files: ["src/**/*.js"],
    languageOptions: { globals: globals.browser },
    linterOptions: { reportUnusedDisableDirectives: "error" },
    rules: { eqeqeq: "error", "no-shadow": "error", "no-var": "error", "prefer-const": "error" },
  },
  { files: ["*.mjs"], languageOptions: { globals: globals.node } },
];
