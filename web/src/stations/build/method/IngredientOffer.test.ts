import type { Choice } from './ingredientMention';
import { IngredientOffer } from './IngredientOffer';

const choice = (words: string) => ({ words }) as unknown as Choice;
const offer = new IngredientOffer();
offer.renew(['red lentils', 'lentil stock', 'Leek', ...Array.from({ length: 9 }, (_, i) => `pea ${i}`)].map(choice));

test.each([
  ['le', ['red lentils', 'lentil stock', 'Leek']],
  ['RED', ['red lentils']],
  ['sto', ['lentil stock']],
  ['entil', []],
])('%s offers what begins so in any word', (typed, words) => {
  expect(offer.for(typed).map((one) => one.words)).toEqual(words);
});

test('no more are offered than can be looked at', () => {
  expect(offer.for('pea')).toHaveLength(8);
});
