import js from '@eslint/js'
import ts from 'typescript-eslint'
import vue from 'eslint-plugin-vue'
import prettier from 'eslint-config-prettier'
import { arrows } from './scripts/lint/arrows.js'
import { CORE_GLOBALS, CORE_PROPERTIES, CORE_SYNTAX } from './scripts/lint/house.js'

const TESTS = ['**/*.test.ts', '**/*.fixture.ts']
const ROOMS = ['core', 'web', 'server', 'cli', 'demo', 'bench', 'e2e'].map((room) => `${room}/**/*.{ts,vue}`)

export default ts.config(
  {
    ignores: [
      '**/*.json',
      'dist',
      'node_modules',
      '.cache',
      'test-results',
      'docs',
      'reports',
      '.stryker-tmp',
    ],
  },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true, varsIgnorePattern: '^_$' }],
      'vue/multi-word-component-names': 'off',
      'vue/valid-v-slot': ['error', { allowModifiers: true }],
      'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }],
    },
  },
  // One form layer: what a field and a dialog look like, and how their faults are told, is said there once.
  {
    files: ['web/**/*.vue'],
    ignores: ['web/forms/**'],
    rules: {
      'vue/no-restricted-html-elements': [
        'error',
        ...Object.entries({
          'v-text-field': 'FormText',
          'v-textarea': 'FormText',
          'v-select': 'FormPick',
          'v-dialog': 'FormDialog',
        }).map(([element, ours]) => ({ element, message: `Use ${ours} of web/forms.` })),
      ],
    },
  },
  // The arrows of the house: each room imports what its entry in the table allows, and nothing else.
  { files: ROOMS, plugins: { house: { rules: { arrows } } }, rules: { 'house/arrows': 'error' } },
  {
    files: ['core/**/*.ts'],
    ignores: TESTS,
    rules: {
      'no-restricted-globals': ['error', ...CORE_GLOBALS],
      'no-restricted-properties': ['error', ...CORE_PROPERTIES],
      'no-restricted-syntax': ['error', ...CORE_SYNTAX],
    },
  },
  // With types: a promise that nobody waits for loses what it would have refused.
  {
    files: ['{core,web,server,cli,demo}/**/*.ts'],
    ignores: TESTS,
    languageOptions: { parserOptions: { project: './tsconfig.json', tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { arguments: false } }],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/no-for-in-array': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
    },
  },
  {
    files: ['scripts/**/*.{mjs,js}', '*.config.*'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  prettier,
)
