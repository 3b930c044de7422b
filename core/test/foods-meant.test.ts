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

/** Lines that are not understood yet, each as it fares: one more is a step back, one less is to be struck out here. */
const NOT_UNDERSTOOD = [
  '3 very ripe bananas, mashed (about 1 1/3 cups): 3 | piece | banana | mashed',
  '1 cinnamon stick: 1 | stick | cinnamon-stick |',
  '4 soft-boiled eggs, halved: 4 | piece | ?egg | halved',
  '6 allspice berries: 6 | piece | - |',
  '8 mini tortillas: 8 | piece | tortilla-wheat |',
  '1 small jar of mayo: 1 | pack | mayonnaise |',
  '1 large egg + 1 yolk: 1 | large piece | ?egg |',
  '8 chicken thighs (bone in), about 2.2 kg: 2.2 | kg | ?chicken-thigh-bone-in-skinless | bone in',
  '¼ tsp each: salt, pepper: 0.25 | tsp | ?salt-fine | pepper',
  '50 g crystallised ginger: 50 | g | ?ginger |',
  '50 g smoked cheese: 50 | g | ?cream-cheese |',
  '1 cup sweet white wine: 1 | cup | ?mirin |',
  '1 shot espresso: 1 | shot | ?coffee-instant |',
  '2 peppers: 2 | piece | ?chilli-serrano |',
  '100 g leftover roast chicken: 100 | g | ?chicken-breast |',
  '1 rotisserie chicken, meat shredded: 1 | piece | ?chicken-breast | meat shredded',
];

test('lines find the food that is meant, or say that they are unsure', () => {
  const fares = readMeant().map((meant) => ({ meant, fare: fareOf(meant) }));
  console.log(`foods meant: ${JSON.stringify(shares(fares.map(({ fare }) => fare)))}`);
  expect(fares.length).toBeGreaterThan(1000);
  const wrong = fares.filter(({ fare }) => !fare.amount || !fare.unit || !fare.food || !fare.note);
  expect(wrong.map(({ meant, fare }) => `${meant.text}: ${fare.said}`.trim())).toEqual(NOT_UNDERSTOOD);
  expect(fares.filter(({ fare }) => fare.wrongUnmarked)).toEqual([]);
});
