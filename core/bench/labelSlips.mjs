// How many slips of the fingers the checks catch while a label is typed, over the starter pantry.
import { readdirSync, readFileSync } from 'node:fs';
import { ENERGY_FACTORS, foodDoubts, foodEnergyAgreement } from '../dist/index.js';
import { seeded } from './measure.mjs';

const TRIALS = 20_000;
const folder = new URL('../../pantry/', import.meta.url);
const foods = readdirSync(folder)
  .filter((name) => name.endsWith('.json'))
  .flatMap((name) => JSON.parse(readFileSync(new URL(name, folder), 'utf8')).foods);
const random = seeded(3);
const oneOf = (list) => list[Math.floor(random() * list.length)];

/** What fingers do to a number. */
const SLIPS = {
  'point moved right': (text) => String(Number((Number(text) * 10).toPrecision(6))),
  'point moved left': (text) => String(Number((Number(text) / 10).toPrecision(6))),
  'digit changed': (text) => changed(text, () => String(Math.floor(random() * 10))),
  'digit doubled': (text) => changed(text, (digit) => digit + digit),
  'digit dropped': (text) => changed(text, () => ''),
  'digits swapped': (text) => text.replace(/(\d)(\d)/, '$2$1'),
};

function changed(text, change) {
  const digits = [...text].flatMap((letter, i) => (/\d/.test(letter) ? [i] : []));
  const at = oneOf(digits);
  return text.slice(0, at) + change(text[at]) + text.slice(at + 1);
}

const KCAL = {
  protein: ENERGY_FACTORS.protein.kcal,
  fat: ENERGY_FACTORS.fat.kcal,
  carbohydrate: ENERGY_FACTORS.availableCarbohydrate.kcal,
  energyKcal: 1,
};
const tally = Object.fromEntries(Object.keys(SLIPS).map((slip) => [slip, { caught: 0, all: 0 }]));
let within = 0;
for (let i = 0; i < TRIALS; i++) {
  const food = oneOf(foods);
  const nutrient = oneOf(Object.keys(KCAL));
  const slip = oneOf(Object.keys(SLIPS));
  const right = food.nutrients[nutrient];
  const typed = Number(SLIPS[slip](String(right)));
  if (!Number.isFinite(typed) || typed === right) continue;
  const { allowed } = foodEnergyAgreement(food);
  // Less than the check allows for rounding is no error it could know of.
  if (Math.abs(typed - right) * KCAL[nutrient] <= allowed) {
    within++;
    continue;
  }
  tally[slip].all++;
  if (foodDoubts({ ...food, nutrients: { ...food.nutrients, [nutrient]: typed } }).length > 0) tally[slip].caught++;
}
const percent = (part, whole) => `${((100 * part) / whole).toFixed(1)} %`;
const sums = Object.values(tally).reduce((sum, { caught, all }) => ({ caught: sum.caught + caught, all: sum.all + all }), {
  caught: 0,
  all: 0,
});
console.log(`${sums.all} slips beyond the check's tolerance (${within} within it left out): ${percent(sums.caught, sums.all)} caught`);
for (const [slip, { caught, all }] of Object.entries(tally))
  console.log(`  ${slip.padEnd(18)} ${percent(caught, all).padStart(8)} of ${all}`);
const alarmed = foods.filter((food) => foodDoubts(food).length > 0).length;
console.log(`false alarms: ${alarmed} of ${foods.length} right rows, ${percent(alarmed, foods.length)}`);
