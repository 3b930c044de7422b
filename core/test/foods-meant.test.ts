import { FoodIndex, lineDoubt, lineFromText, parseLineText } from '../src/index.js';
import { faresAs, readMeant, shares, type Fare, type MeantLine } from './foodsMeant.mjs';
import { starterFoods } from './starterPantry.js';

const index = new FoodIndex(starterFoods);

/** A line as it fares; where no food is matched, as much of it as was read. */
function fareOf(meant: MeantLine): Fare {
  const line = lineFromText(meant.text, index, { servings: 4, measures: 'metric' });
  const { amount, unit, countWord, note } = parseLineText(meant.text);
  const counted = amount === undefined ? undefined : (unit ?? countWord ?? 'piece');
  const read = line.food === undefined ? { ...line, amount, unit: counted, note } : line;
  return faresAs(meant, read, lineDoubt(line, index) !== undefined);
}

/** Lines of the seen half that are not understood yet, each as it fares: one more is a step back, one less is to be struck out here. */
const NOT_UNDERSTOOD = [
  '4 soft-boiled eggs, halved: 4 | piece | ?egg | halved',
  '8 mini tortillas: 8 | piece | tortilla-wheat |',
  '1 large egg + 1 yolk: 1 | large piece | ?egg |',
  '¼ tsp each: salt, pepper: 0.25 | tsp | ?salt-fine | pepper',
  '1 shot espresso: 1 | shot | ?coffee-instant |',
];

test('lines find the food that is meant, or say that they are unsure; the half that may be looked at', () => {
  const fares = readMeant()
    .filter(({ unseen }) => !unseen)
    .map((meant) => ({ meant, fare: fareOf(meant) }));
  console.log(`foods meant, the seen half: ${JSON.stringify(shares(fares.map(({ fare }) => fare)))}`);
  expect(fares.length).toBeGreaterThan(500);
  const wrong = fares.filter(({ fare }) => !fare.amount || !fare.unit || !fare.food || !fare.note);
  expect(wrong.map(({ meant, fare }) => `${meant.text}: ${fare.said}`.trim())).toEqual(NOT_UNDERSTOOD);
  expect(fares.filter(({ fare }) => fare.wrongUnmarked)).toEqual([]);
});
