import { hyphened } from './hyphened.js';

test.each([
  ['Crème & Salt', true, 'creme-salt'],
  ['  --Night  Watch!-- ', true, 'night-watch'],
  ['漢字 Suppers', true, 'suppers'],
  ['漢字 Suppers', false, '漢字-suppers'],
  ['???', true, 'none'],
  ['', false, 'none'],
  [`${'a'.repeat(59)} b`, false, 'a'.repeat(59)],
])('%j, plain %j, is %j', (words, plain, said) => {
  expect(hyphened(words, { plain, otherwise: 'none' })).toBe(said);
});
