import js from "@eslint/js";
import jsxA11y from "eslint-plugin-jsx-a11y";
import reactHooks from "eslint-plugin-react-hooks";
import globals from "globals";
import typescript from "typescript-eslint";

export default typescript.config(
  { ignores: ["dist", "target", "node_modules", "src/domain/generated"] },
  js.configs.recommended,
  typescript.configs.recommendedTypeChecked,
  jsxA11y.flatConfigs.recommended,
  {
    // The two rules of hooks; the others of that package are for code compiled by the React compiler, which is not used.
    plugins: { "react-hooks": reactHooks },
    rules: { "react-hooks/rules-of-hooks": "error", "react-hooks/exhaustive-deps": "error" },
  },
  {
    languageOptions: {
      globals: globals.browser,
      parserOptions: { projectService: { allowDefaultProject: ["eslint.config.js"] } },
    },
    rules: {
      eqeqeq: ["error", "smart"],
      "no-console": "error",
      "@typescript-eslint/no-unused-vars": ["error", { varsIgnorePattern: "^_", ignoreRestSiblings: true }],
      // A group that scrolls must be reached by the keyboard; a field opened by a tap is where the next key belongs.
      "jsx-a11y/no-noninteractive-tabindex": ["error", { roles: ["group"], tags: [] }],
      "jsx-a11y/no-autofocus": "off",
    },
  },
  { files: ["eslint.config.js"], ...typescript.configs.disableTypeChecked },
);
