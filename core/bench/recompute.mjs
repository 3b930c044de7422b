// How long core takes for what the page asks at every key press, in a recipe of 40 lines.
import { readFileSync } from 'node:fs';
import {
  bandOf,
  cardContent,
  findingsOf,
  FoodIndex,
  Kitchen,
  lineFromText,
  readKitchen,
  recipeFigures,
  servedOf,
  weighNext,
} from '../dist/index.js';

const LINES = 40;
const TIMES = 300;
const read = readKitchen(JSON.parse(readFileSync(new URL('../../demo/saltmarsh-suppers.json', import.meta.url), 'utf8')), '2026-11-25');
const kitchen = new Kitchen(read.entry);
const index = new FoodIndex(read.entry.foods);
const words = [
  'red lentils',
  'pearl barley',
  'leeks',
  'butternut squash',
  'plain yoghurt',
  'rapeseed oil',
  'chopped tomatoes',
  'brown rice',
  'carrots',
  'kale',
];
const lines = Array.from({ length: LINES }, (_, i) =>
  lineFromText(`${100 + i} g ${words[i % words.length]}`, index, { servings: 5, measures: 'metric' }),
);
const recipe = { id: 'forty', title: 'Forty lines', servings: 5, parts: [{ id: 'main', name: 'Main', lines }] };

function measure(name, run) {
  const taken = [];
  for (let i = 0; i < TIMES; i++) {
    const from = performance.now();
    run(i);
    taken.push(performance.now() - from);
  }
  taken.sort((a, b) => a - b);
  console.log(`${name}: median ${taken[TIMES / 2].toFixed(2)} ms, 95 % ${taken[Math.floor(TIMES * 0.95)].toFixed(2)} ms`);
}

measure('one typed line taken apart and matched', (i) =>
  lineFromText(`${i} g butternut squash, peeled`, index, { servings: 5, measures: 'metric' }),
);
measure(`figures of ${LINES} lines`, () => recipeFigures(recipe, kitchen));
measure(`figures, findings, bands and card of ${LINES} lines`, () => {
  const figures = recipeFigures(recipe, kitchen);
  const boxed = figures.parts.filter(({ part }) => servedOf(part) === 'box');
  findingsOf(figures, kitchen);
  bandOf(boxed, 'energyKcal');
  weighNext(boxed);
  cardContent(recipe, kitchen);
});
