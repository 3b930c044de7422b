import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { batchReport, readKitchen, recipeReport, taughtKitchen } from '../src/index.js';

const HERE = join(__dirname, 'cases/batches');
const names = readdirSync(HERE)
  .filter((name) => name.endsWith('.args.json') && (json(name) as string[])[0] === 'calc')
  .map((name) => name.replace('.args.json', ''));

function json(file: string): unknown {
  return JSON.parse(readFileSync(join(HERE, file), 'utf8'));
}

test.each(names)('%s computes, and is the same however it is read', (name) => {
  const read = readKitchen(json(`${name}.json`), '2032-03-10');
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const { batches } = read.entry;
  const kitchen = taughtKitchen(read.entry, batches);
  const [, , id] = json(`${name}.args.json`) as string[];
  const batch = batches.find((one) => one.id === id);
  const got = batch ? batchReport(batch, batches, kitchen) : recipeReport(kitchen.content.recipes[0]!, kitchen);
  const [want] = json(`${name}.expected.json`) as [
    { perServing: { weight: number; usedCost: number | null }; problems: { code: string; at: string; absent?: true }[] },
  ];
  for (const { code, at, absent } of want.problems)
    expect([code, at, got.problems.some((one) => one.code === code && one.at === at)]).toEqual([code, at, absent !== true]);
  expect(got.perServing.weight).toBeCloseTo(want.perServing.weight, 9);
  if (want.perServing.usedCost === null) expect(got.perServing.usedCost).toBeNull();
  else expect(got.perServing.usedCost).toBeCloseTo(want.perServing.usedCost, 9);
});
