// How many labels of the corpus are read as they say. The unseen half is scored where it is asked for.
import { readLabelText } from '../dist/index.js';
import { labelFares, readLabelsMeant } from '../test/labelsMeant.mjs';

for (const half of process.argv.includes('--unseen') ? [false, true] : [false]) {
  const labels = readLabelsMeant().filter(({ unseen }) => unseen === half);
  const fares = labels.map((label) => labelFares(label, readLabelText(label.text)));
  const right = fares.filter((fare) => fare.right).length;
  const silent = fares.filter(({ wrongUnmarked }) => wrongUnmarked).length;
  const asked = fares.reduce((sum, { doubtedRight }) => sum + doubtedRight, 0);
  console.log(
    `${half ? 'unseen' : 'seen'} half: ${((100 * right) / labels.length).toFixed(1)} % of ${labels.length} labels right; ` +
      `${silent} wrong and unmarked; ${asked} figures doubted though right`,
  );
}
