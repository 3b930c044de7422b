import js from '@eslint/js';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import importX from 'eslint-plugin-import-x';
import reactHooks from 'eslint-plugin-react-hooks';
import regexp from 'eslint-plugin-regexp';
import { defineConfig, globalIgnores } from 'eslint/config';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** Folders of core, from what everything rests on to what rests on everything: a folder imports only from those before it. */
const CORE_ORDER = [
  'quantity',
  'figure',
  'food',
  'price',
  'recipe',
  'text',
  'method',
  'label',
  'page',
  'match',
  'table',
  'receipt',
  'scale',
  'batch',
  'uncertainty',
  'compare',
  'claims',
  'brief',
  'fit',
  'check',
  'card',
  'portion',
  'device',
  'format',
];
/** Folders of web, likewise. */
const WEB_ORDER = ['ui', 'api', 'features', 'working', 'docket', 'stations', 'app'];

const zone = (target, from, message) => ({ target, from, message });

const zones = [
  ...CORE_ORDER.flatMap((folder, i) =>
    CORE_ORDER.slice(i + 1).map((later) =>
      zone(`./core/src/${folder}`, `./core/src/${later}`, `${folder}/ comes before ${later}/: it may not import from it`),
    ),
  ),
  ...WEB_ORDER.flatMap((folder, i) =>
    WEB_ORDER.slice(i + 1).map((later) =>
      zone(`./web/src/${folder}`, `./web/src/${later}`, `${folder}/ comes before ${later}/: it may not import from it`),
    ),
  ),
  zone('./core/src', './server', 'core imports nothing of the server'),
  zone('./core/src', './web', 'core imports nothing of the web application'),
  zone('./server/src', './web', 'server and web meet only in HTTP'),
  zone('./web/src', './server', 'server and web meet only in HTTP'),
  zone('./e2e', './core/src', 'e2e drives the running whole; it imports no source'),
  zone('./e2e', './server/src', 'e2e drives the running whole; it imports no source'),
  zone('./e2e', './web/src', 'e2e drives the running whole; it imports no source'),
];

/** Factors are for formulas, and formulas are core's. */
const FORMULAS = {
  name: '@portiona/core',
  importNames: ['SALT_GRAMS_PER_SODIUM_MG', 'KJ_PER_KCAL', 'ENERGY_FACTORS', 'nutrientsPerGram', 'perGramOf', 'compensatedSum'],
  message: 'figures are computed in core: add the function that gives the one wanted there',
};

export default defineConfig([
  globalIgnores(['**/dist/**', '**/*.gen.ts', 'e2e/results/**', '.portiona/**']),
  js.configs.recommended,
  { files: ['**/*.{js,cjs,mjs}'], languageOptions: { globals: globals.node } },
  { files: ['e2e/bench/*.mjs'], languageOptions: { globals: globals.browser } },
  { files: ['web/public/*.js'], languageOptions: { globals: globals.serviceworker } },
  {
    files: ['**/*.{ts,tsx}'],
    extends: [tseslint.configs.recommendedTypeChecked],
    plugins: { 'import-x': importX },
    settings: {
      'import-x/resolver-next': [
        createTypeScriptImportResolver({ noWarnOnMultipleProjects: true, project: ['core', 'server', 'web', 'e2e'] }),
      ],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts', '.tsx'] },
    },
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      'import-x/no-restricted-paths': ['error', { basePath: import.meta.dirname, zones }],
      'import-x/no-cycle': ['error', { ignoreExternal: true }],
    },
  },
  {
    // An index only re-exports, and is for outsiders: within its folder nobody goes through it.
    files: ['core/src/*/*.ts'],
    ignores: ['core/src/*/index.ts', '**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { regex: '^[.]/index[.]js$', message: 'import the file itself; the index is for other folders' },
            { regex: '^[.][.]/[^/]+/(?!index[.]js$)', message: "import another folder's index" },
          ],
        },
      ],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'process', 'fetch', 'window', 'document', 'console', 'setTimeout', 'localStorage'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'the time is a parameter' },
        { object: 'Math', property: 'random', message: 'the seed is a parameter' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'the time is a parameter' },
      ],
    },
  },
  { files: ['web/**/*.{ts,tsx}'], extends: [reactHooks.configs.flat.recommended] },
  {
    // One button, one field, one chip: their look has one place.
    files: ['web/src/**/*.tsx'],
    ignores: ['web/src/ui/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            "JSXAttribute[name.name='className'] Literal[value=/(^| )(btn|btn-main|btn-quiet|icon|field|labelled|chip|seg|remark|ledger|ledger-row|ledger-group|menu|modal|panel)( |$)/]",
          message: 'this look is a control of ui/: use it',
        },
      ],
    },
  },
  {
    // Text comes from outside: no expression takes more than in proportion to it. What the rules do not see, core's nasty shapes do.
    files: ['{core,server,web}/src/**/*.{ts,tsx}'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential', ignorePartial: false }],
    },
  },
  {
    files: ['web/**/*.{ts,tsx}', 'server/src/**/*.{ts,tsx}'],
    rules: { 'no-restricted-imports': ['error', { paths: [FORMULAS] }] },
  },
  {
    // One door to the database: who holds a connection never waits for a second one.
    files: ['server/src/**/*.{ts,tsx}'],
    ignores: ['server/src/database/**', 'server/src/**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            FORMULAS,
            ...['@nestjs/typeorm', 'pg'].map((name) => ({ name, message: 'ask Database: it keeps a piece of work to one connection' })),
            {
              name: 'typeorm',
              importNames: ['DataSource', 'Repository', 'QueryRunner', 'createConnection', 'getConnection'],
              message: 'ask Database: it keeps a piece of work to one connection',
            },
          ],
        },
      ],
    },
  },
]);
