// How many pages and pasted recipes of the corpus are read whole. Both halves: the one that was looked at while the reader was written, and the one that was not.
import { pageText, readRecipes } from '../dist/index.js';
import { pageFaults, readPagesMeant } from '../test/pagesMeant.mjs';

for (const half of [false, true]) {
  const pages = readPagesMeant().filter(({ unseen }) => unseen === half);
  const right = pages.filter(({ bytes, header, recipes }) => pageFaults(recipes, readRecipes(pageText(bytes, header))).length === 0).length;
  console.log(`${half ? 'second' : 'first'} half: ${((100 * right) / pages.length).toFixed(1)} % of ${pages.length} pages read whole`);
}
