import { kitchenOf, recipeOf } from '../../../test/kitchens.js';
import { isLength, saysHeat, whatTimeIsOf } from './heat.js';
import { stepReadings } from './stepReading.js';

const kitchen = kitchenOf({ foods: [], packs: [] });
const read = (text: string) => stepReadings({ ...recipeOf([]), steps: [text] }, kitchen)[0]!;

test.each([
  ['Simmer for 20 minutes.', 'heat'],
  ['Add the drained beans and simmer for 15 minutes.', 'heat'],
  ['Simmer, covered, 20 minutes.', 'heat'],
  ['Bring to the boil, cover, and cook 12 minutes.', 'heat'],
  ['Bring the stock to the boil, pour it over, cover for 5 minutes off the heat.', 'rest'],
  ['Rest 10 minutes.', 'rest'],
  ['Cover and leave for 10 minutes.', 'rest'],
  ['Pour the water, boiling, over the couscous, lid on, 5 min.', 'unknown'],
  ['Stir in the barbecue sauce and let the meat drink it up for 10 minutes.', 'unknown'],
  ['Grill the sliced courgettes for 5 minutes.', 'heat'],
  ['Knead for 10 minutes.', 'hands'],
  ['Shape 20 koftas; about 15 minutes.', 'hands'],
  ['Preheat the oven for 10 minutes.', 'unknown'],
])('the time in “%s” is of %s', (text, of) => {
  const step = read(text);
  expect(whatTimeIsOf(step, step.times[0]!)).toBe(of);
});

test.each([
  ['Roast 20 minutes.', true],
  ['Add the peas for the last 2 minutes.', false],
  ['Chill within 90 minutes.', false],
  ['Take it out 30 minutes before.', false],
  ['Turn after 10 minutes.', false],
])('“%s” says how long something takes: %s', (text, length) => {
  expect(isLength(text, read(text).times[0]!)).toBe(length);
});

test('what is called by heat is not on it', () => {
  expect([saysHeat('Stir in the brown sugar and the barbecue sauce.'), saysHeat('Brown the mince.')]).toEqual([false, true]);
});
