import { defineConfigWithVueTs, vueTsConfigs } from "@vue/eslint-config-typescript";
import prettier from "eslint-config-prettier/flat";
import vue from "eslint-plugin-vue";

export default defineConfigWithVueTs(
  { name: "sources", files: ["src/**/*.{ts,vue}", "*.{js,ts}"] },
  { name: "not ours", ignores: ["dist/**", "src/api/schema.d.ts"] },
  vue.configs["flat/recommended"],
  vueTsConfigs.recommended,
  prettier,
  {
    name: "rules of the house",
    rules: {
      "no-console": "error",
      eqeqeq: ["error", "always", { null: "ignore" }],
      "@typescript-eslint/consistent-type-imports": [
        "error",
        { fixStyle: "separate-type-imports", disallowTypeAnnotations: false },
      ],
      "vue/block-lang": ["error", { script: { lang: "ts" } }],
      "vue/component-name-in-template-casing": [
        "error",
        "kebab-case",
        { registeredComponentsOnly: false },
      ],
      "vue/no-unused-emit-declarations": "error",
      "vue/no-unused-properties": "error",
      "vue/no-unused-refs": "error",
      "vue/define-macros-order": ["error", { order: ["defineProps", "defineEmits"] }],
      // A prop that may be left out is undefined then, and its type says so.
      "vue/require-default-prop": "off",
    },
  },
);
