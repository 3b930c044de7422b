// How many pages and pasted recipes of the corpus are read whole. The unseen half is scored where it is asked for.
import { pageText, readRecipes } from '../dist/index.js';
import { pageFaults, readPagesMeant } from '../test/pagesMeant.mjs';

for (const half of process.argv.includes('--unseen') ? [false, true] : [false]) {
  const pages = readPagesMeant().filter(({ unseen }) => unseen === half);
  const right = pages.filter(({ bytes, header, recipes }) => pageFaults(recipes, readRecipes(pageText(bytes, header))).length === 0).length;
  console.log(`${half ? 'unseen' : 'seen'} half: ${((100 * right) / pages.length).toFixed(1)} % of ${pages.length} pages read whole`);
}
