// How well Check finds what was planted in the corpus, and how long it takes for a dish.
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { checkedRecipe, Kitchen, readKitchen, recipeFigures, shownFigure } from '../dist/index.js';
import { CORPUS_PARTS, corpusCases, scoreOf, shareFigures } from '../test/checksCorpus.mjs';

const pantry = fileURLToPath(new URL('../../pantry', import.meta.url));
const foods = readdirSync(pantry)
  .filter((name) => name.endsWith('.json'))
  .flatMap((name) => JSON.parse(readFileSync(join(pantry, name), 'utf8')).foods);

function kitchenOf(file) {
  const read = readKitchen(file, '2026-06-01');
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return { kitchen: new Kitchen(read.entry), recipe: read.entry.recipes[0] };
}

function figuresOf(file) {
  const { kitchen, recipe } = kitchenOf(file);
  const { nutrients, usedCost } = recipeFigures(recipe, kitchen).perServing;
  return shareFigures((figure) => shownFigure(figure, nutrients, kitchen.convention).amount ?? 0, usedCost.amount ?? 0);
}

const taken = [];
for (const part of CORPUS_PARTS) {
  const { misses: _, ...score } = scoreOf(corpusCases(part, foods, figuresOf), ({ kitchen: file }) => {
    const { kitchen, recipe } = kitchenOf(file);
    const from = performance.now();
    const { open } = checkedRecipe(recipe, kitchen);
    taken.push(performance.now() - from);
    return open;
  });
  console.log(
    `${part} part: ${score.found} of ${score.faults} planted faults found, ${score.falseOnClean} false alarms on ${score.clean} clean dishes, ` +
      `${score.tempted} of ${score.decoys} decoys taken`,
  );
}
taken.sort((a, b) => a - b);
const at = (share) => taken[Math.min(taken.length - 1, Math.floor(share * taken.length))].toFixed(1);
console.log(`one dish in a kitchen new to it: median ${at(0.5)} ms, 95 % ${at(0.95)} ms`);
