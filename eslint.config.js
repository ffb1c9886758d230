import js from '@eslint/js'
import ts from 'typescript-eslint'
import vue from 'eslint-plugin-vue'
import prettier from 'eslint-config-prettier'

/** Forbids imports whose path matches `regex`, and says why. */
const forbid = (regex, message) => ({ regex, message })
const restrict = (files, patterns) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns }] },
})

// The arrows of the house run one way: web, server, cli, demo → core.
const outerRooms = forbid('(^|/)(web|server|cli|demo|e2e)/', 'core/ knows no other room.')
const platform = forbid(
  '^(node:|vue$|vue-router|pinia|vuetify|localforage|express)',
  'core/ has no platform code.',
)
const inCore = (rooms) =>
  forbid(`^(\\.\\./|@core/)(${rooms})/`, 'Inside core the arrows run compare → analysis → trace.')
const sibling = (rooms) => forbid(`(^|/)\\.\\./(${rooms})/`, 'Rooms meet only in core/.')

export default ts.config(
  { ignores: ['dist', 'node_modules', '.cache', 'test-results', 'docs'] },
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
  restrict(['core/**/*.ts'], [outerRooms, platform]),
  restrict(
    ['core/trace/**/*.ts'],
    [outerRooms, platform, inCore('analysis|compare|model|formats|gear|protocol|logbook|plan')],
  ),
  restrict(['core/analysis/**/*.ts'], [outerRooms, platform, inCore('compare|model|formats|logbook')]),
  restrict(['core/compare/**/*.ts'], [outerRooms, platform, inCore('model|formats')]),
  restrict(['web/**/*.{ts,vue}'], [sibling('server|cli|demo|e2e')]),
  restrict(
    ['web/screens/**/*.{ts,vue}'],
    [
      sibling('server|cli|demo|e2e'),
      forbid('^localforage$', 'A screen asks a store; only web/storage talks to storage.'),
      forbid('(^|/)storage/', 'A screen asks a store; only stores talk to storage.'),
      forbid('^chart\\.js', 'Only web/charts knows the chart library.'),
    ],
  ),
  restrict(['server/**/*.ts'], [sibling('web|cli|demo|e2e')]),
  restrict(['cli/**/*.ts'], [sibling('web|server|demo|e2e')]),
  restrict(['demo/**/*.ts'], [sibling('web|server|cli|e2e')]),
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'localStorage', 'performance'],
    },
  },
  { files: ['scripts/*.mjs', '*.config.*'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  prettier,
)
