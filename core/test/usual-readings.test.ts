import { FoodIndex } from '../src/index.js';
import { USUAL } from '../src/match/usualReadings.js';
import { starterFoods } from './starterPantry.js';

const index = new FoodIndex(starterFoods);
const read = (foodWords: string) => index.read({ foodWords, toTaste: false, optional: false, cooked: false });

test.each([...USUAL].filter(([said]) => said !== 'soft hardboiled egg' && !/boil/.test(said)))(
  '“%s” is read as its row says, of the starter pantry',
  (said, { meant, sure }) => {
    const target = read(meant);
    expect(target).toBeDefined();
    const reading = read(said);
    expect(reading?.food.id).toBe(target?.food.id);
    // What is told to be asked about is asked about; the rest is not.
    expect(reading?.sureness === 'unsure').toBe(!sure);
  },
);
