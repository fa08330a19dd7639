import js from "@eslint/js";
import a11y from "eslint-plugin-jsx-a11y";
import { createTypeScriptImportResolver } from "eslint-import-resolver-typescript";
import imports from "eslint-plugin-import-x";
import hooks from "eslint-plugin-react-hooks";
import ts from "typescript-eslint";

export default ts.config(
  { ignores: ["src/shared/api/schema.ts"] },
  js.configs.recommended,
  ...ts.configs.recommended,
  hooks.configs.flat.recommended,
  a11y.flatConfigs.recommended,
  {
    plugins: { "import-x": imports },
    settings: { ...imports.flatConfigs.typescript.settings, "import-x/resolver-next": [createTypeScriptImportResolver()] },
    rules: {
      "import-x/no-cycle": "error",
      // Ids for tests are for tests: what the page itself looks for has an id or a role.
      "no-restricted-syntax": ["error", { selector: "Literal[value=/\\[data-testid/]", message: "Look for an id." }],
    },
  },
);
