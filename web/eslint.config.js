import hooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config({ ignores: ["src/api/schema.d.ts"] }, ...tseslint.configs.strict, {
  plugins: { "react-hooks": hooks },
  rules: {
    ...hooks.configs.recommended.rules,
    "@typescript-eslint/no-non-null-assertion": "error",
    // It speaks of React Compiler, which isn't used here.
    "react-hooks/incompatible-library": "off",
    // Prettier doesn't count the blank that it puts behind text.
    "max-len": ["error", { code: 120, ignoreUrls: true, ignorePattern: '\\{" "\\}$' }],
  },
});
