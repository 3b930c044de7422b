// How many lines of the corpus find the food that is meant, and how long each takes.
import { readFileSync, readdirSync } from 'node:fs';
import { FoodIndex, lineFromText, parseLineText, readKitchen } from '../dist/index.js';
import { faresAs, readMeant, shares } from '../test/foodsMeant.mjs';
import { medianOf, p95Of } from './measure.mjs';

const pantry = new URL('../../pantry/', import.meta.url);
const foods = readdirSync(pantry)
  .filter((file) => file.endsWith('.json'))
  .flatMap((file) => readKitchen(JSON.parse(readFileSync(new URL(file, pantry), 'utf8')), '2026-11-25').entry.foods);
const index = new FoodIndex(foods);
const times = [];
const fares = readMeant().map((meant) => {
  const started = performance.now();
  const line = lineFromText(meant.text, index, { servings: 4, measures: 'metric' });
  times.push(performance.now() - started);
  const { amount, unit, countWord, note } = parseLineText(meant.text);
  const read = line.food === undefined ? { amount, unit: amount === undefined ? undefined : (unit ?? countWord ?? 'piece'), note } : line;
  return faresAs(meant, read, line.agreed === false);
});
const { lines, right, wrongUnmarked, unsureButRight } = shares(fares);
console.log(
  `${right} % of ${lines} lines right in amount, unit, food and note; ` +
    `of matches not marked unsure ${wrongUnmarked} % wrong; unsure but right ${unsureButRight} %`,
);
times.sort((a, b) => a - b);
console.log(`  a line, with ${foods.length} foods: median ${medianOf(times).toFixed(2)} ms, 95 % within ${p95Of(times).toFixed(2)} ms`);
