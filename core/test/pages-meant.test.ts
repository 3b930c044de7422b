import { pageText, readRecipes } from '../src/index.js';
import { pageFaults, readPagesMeant } from './pagesMeant.mjs';

test.each(readPagesMeant())('$name: read as it holds', ({ bytes, header, recipes }) => {
  expect(pageFaults(recipes, readRecipes(pageText(bytes, header)))).toEqual([]);
});
