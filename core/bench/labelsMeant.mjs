// How many labels of the corpus are read as they say. Both halves: the one that was looked at while the reader was written, and the one that was not.
import { readLabelText } from '../dist/index.js';
import { labelFares, readLabelsMeant } from '../test/labelsMeant.mjs';

for (const half of [false, true]) {
  const labels = readLabelsMeant().filter(({ unseen }) => unseen === half);
  const fares = labels.map((label) => labelFares(label, readLabelText(label.text)));
  const right = fares.filter((fare) => fare.right).length;
  const silent = fares.filter(({ wrongUnmarked }) => wrongUnmarked).length;
  const asked = fares.reduce((sum, { doubtedRight }) => sum + doubtedRight, 0);
  console.log(
    `${half ? 'second' : 'first'} half: ${((100 * right) / labels.length).toFixed(1)} % of ${labels.length} labels right; ` +
      `${silent} wrong and unmarked; ${asked} figures doubted though right`,
  );
}
