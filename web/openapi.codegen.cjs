// The page asks in the kitchen at hand: its addresses are written without the kitchen (src/api/kitchenAtHand.ts puts it before them).
const { readFileSync, writeFileSync, mkdirSync } = require('node:fs');
const { join } = require('node:path');

const IN_A_KITCHEN = '/api/kitchens/{kitchen}';
const made = join(__dirname, 'dist', 'openapi.json');
const whole = JSON.parse(readFileSync(join(__dirname, '../openapi.json'), 'utf8'));
const paths = Object.entries(whole.paths).map(([path, { parameters, ...item }]) => [
  path === IN_A_KITCHEN ? '/' : path.replace(IN_A_KITCHEN, ''),
  path.startsWith(IN_A_KITCHEN) ? item : { ...item, ...(parameters ? { parameters } : {}) },
]);
mkdirSync(join(__dirname, 'dist'), { recursive: true });
writeFileSync(made, JSON.stringify({ ...whole, paths: Object.fromEntries(paths) }));

module.exports = {
  schemaFile: made,
  apiFile: './src/api/emptyApi.ts',
  apiImport: 'emptyApi',
  outputFile: './src/api/api.gen.ts',
  exportName: 'api',
  hooks: true,
  tag: true,
};
