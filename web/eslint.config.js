import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

export default [
  { ignores: ['dist', 'src/api/schema.ts'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      // Pages are single words here (Cards, Supplies), as in the rail.
      'vue/multi-word-component-names': 'off',
      // TypeScript says so already, and knows more.
      'vue/require-default-prop': 'off',
      'no-undef': 'off',
      // What is named beside a rest is what the rest is without.
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
    },
  },
  prettier,
]
