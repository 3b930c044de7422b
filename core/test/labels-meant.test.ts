import { readLabelText } from '../src/index.js';
import { labelFares, readLabelsMeant } from './labelsMeant.mjs';

test.each(readLabelsMeant())('$name: read as it says, or doubted', (meant) => {
  const { faults, silent } = labelFares(meant, readLabelText(meant.text));
  expect(silent).toEqual([]);
  expect(faults).toEqual([]);
});
