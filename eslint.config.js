// The rules of this house: which way imports point, and what has one place. What holds in every house, types among it, is in .oxlintrc.json.
import * as parser from '@typescript-eslint/parser';
import regexp from 'eslint-plugin-regexp';
import { defineConfig, globalIgnores } from 'eslint/config';

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
  'plan',
  'shop',
  'batch',
  'uncertainty',
  'compare',
  'claims',
  'brief',
  'fit',
  'check',
  'card',
  'drift',
  'sheet',
  'booklet',
  'portion',
  'week',
  'device',
  'format',
];
/** Folders of web, likewise. */
const WEB_ORDER = ['ui', 'api', 'features', 'working', 'docket', 'stations', 'app'];

/**
 * Rules for a group of files; a later group that a file is in as well says all of it anew.
 *
 * @param patterns imports of any kind that nobody may have: `[expression, message]`
 * @param paths packages, as the rule wants them
 * @param syntax further things, as the rule wants them
 */
function restricted(patterns, paths = [], syntax = []) {
  // Imports within an expression or a type are not seen by the rule of imports.
  const inPlace = patterns.flatMap(([regex, message]) =>
    ['ImportExpression[source.value=/EXPRESSION/]', 'TSImportType Literal[value=/EXPRESSION/]'].map((selector) => ({
      selector: selector.replace('EXPRESSION', regex.replaceAll('/', String.raw`\u002f`)),
      message,
    })),
  );
  return {
    'no-restricted-imports': ['error', { paths, patterns: patterns.map(([regex, message]) => ({ regex, message })) }],
    'no-restricted-syntax': ['error', ...inPlace, ...syntax],
  };
}

/** What a folder of an order may not import: those that come after it. */
function laterThan(order, folder) {
  const later = order.slice(order.indexOf(folder) + 1);
  if (later.length === 0) return [];
  return [[String.raw`^(\.\./)+(${later.join('|')})/`, `${folder}/ comes before ${later.join('/, ')}/: it may not import from them`]];
}

const CORE_OUTSIDE = [[String.raw`(^|/)(server|web)/|^@portiona/`, 'core imports nothing of the server or the web application']];
const WEB_OUTSIDE = [[String.raw`^(\.\./)+server/|^@portiona/server`, 'server and web meet only in HTTP']];
const SERVER_OUTSIDE = [[String.raw`^(\.\./)+web/|^@portiona/web`, 'server and web meet only in HTTP']];
const E2E_OUTSIDE = [[String.raw`^(\.\./)+(core|server|web)/|^@portiona/`, 'e2e drives the running whole; it imports no source']];
const INDEX = [
  [String.raw`^\./index\.js$`, 'import the file itself; the index is for other folders'],
  [String.raw`^\.\./[^/]+/(?!index\.js$)`, "import another folder's index"],
];

/** Factors are for formulas, and formulas are core's. */
const FORMULAS = {
  name: '@portiona/core',
  importNames: ['SALT_GRAMS_PER_SODIUM_MG', 'KJ_PER_KCAL', 'ENERGY_FACTORS', 'nutrientsPerGram', 'perGramOf', 'compensatedSum'],
  message: 'figures are computed in core: add the function that gives the one wanted there',
};

const CLOCK = { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'the time is a parameter' };

/** A button, a field, a chip: their look has one place. */
const UI_LOOKS = {
  selector:
    "JSXAttribute[name.name='className'] Literal[value=/(^| )(btn|btn-main|btn-quiet|icon|field|labelled|chip|seg|remark|ledger|ledger-row|ledger-group|menu|modal|panel)( |$)/]",
  message: 'this look is a control of ui/: use it',
};

/** One door to the database: who holds a connection never waits for a second one. */
const DOOR = 'ask Database: it keeps a piece of work to one connection';
const DATABASE = [
  { name: '@nestjs/typeorm', message: DOOR },
  { name: 'pg', message: DOOR },
  { name: 'typeorm', importNames: ['DataSource', 'Repository', 'QueryRunner', 'createConnection', 'getConnection'], message: DOOR },
];

const ofCore = CORE_ORDER.flatMap((folder) => {
  const outside = [...laterThan(CORE_ORDER, folder), ...CORE_OUTSIDE];
  return [
    { files: [`core/src/${folder}/**/*.ts`], rules: restricted(outside, [], [CLOCK]) },
    // An index only re-exports, and is for outsiders: within its folder nobody goes through it.
    {
      files: [`core/src/${folder}/*.ts`],
      ignores: ['**/index.ts', '**/*.test.ts'],
      rules: restricted([...outside, ...INDEX], [], [CLOCK]),
    },
    { files: [`core/src/${folder}/**/*.test.ts`], rules: restricted(outside) },
  ];
});

const ofWeb = WEB_ORDER.map((folder) => ({
  files: [`web/src/${folder}/**/*.{ts,tsx}`],
  rules: restricted([...laterThan(WEB_ORDER, folder), ...WEB_OUTSIDE], [FORMULAS], folder === 'ui' ? [] : [UI_LOOKS]),
}));

export default defineConfig([
  globalIgnores(['**/dist/**', '**/*.gen.ts', 'e2e/results/**', '.portiona/**', '**/*.{js,mjs,cjs}']),
  { linterOptions: { reportUnusedDisableDirectives: 'off' } },
  { files: ['**/*.{ts,tsx}'], languageOptions: { parser } },
  { files: ['core/**/*.ts'], rules: restricted(CORE_OUTSIDE) },
  ...ofCore,
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
    },
  },
  { files: ['web/**/*.{ts,tsx}'], rules: restricted(WEB_OUTSIDE, [FORMULAS]) },
  ...ofWeb,
  { files: ['server/**/*.{ts,tsx}'], rules: restricted(SERVER_OUTSIDE) },
  {
    files: ['server/src/**/*.{ts,tsx}'],
    ignores: ['server/src/**/*.test.ts'],
    rules: restricted(SERVER_OUTSIDE, [FORMULAS, ...DATABASE]),
  },
  { files: ['server/src/database/**/*.{ts,tsx}'], rules: restricted(SERVER_OUTSIDE, [FORMULAS]) },
  { files: ['e2e/**/*.ts'], rules: restricted(E2E_OUTSIDE) },
  {
    // Text comes from outside: no expression takes more than in proportion to it. What the rules do not see, core's nasty shapes do.
    files: ['{core,server,web}/src/**/*.{ts,tsx}'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential', ignorePartial: false }],
    },
  },
]);
