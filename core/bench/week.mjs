// How long a week of boxes takes to be proposed, how much of it is proven, and how long the page takes to work a week out.
import { readFileSync } from 'node:fs';
import highs from 'highs';
import { boxesAtHand, dayAfter, Kitchen, proposeWeek, readKitchen, searchWith, weekMisses, weekSeen } from '../dist/index.js';
import { drawsOf } from '../test/sessionsMade.mjs';

const SECONDS = 10;
const quantile = (values, share) => [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))] ?? Number.NaN;
const solve = searchWith(await highs(), SECONDS);

const file = JSON.parse(readFileSync(new URL('../../demo/saltmarsh-suppers.json', import.meta.url), 'utf8'));
const { entry } = readKitchen(file, '2026-11-28');
const { pools } = boxesAtHand(entry.batches, entry.sessions, new Kitchen(entry), '2026-11-30');
const [planned] = entry.weeks;
const ground = { people: entry.people, pools, others: [], gone: [], today: '2026-11-29' };
const from = performance.now();
const { meals, status } = proposeWeek({ ...planned, meals: [] }, ground, solve);
console.log(
  `the demo's week, 2 people, ${pools.length} kinds of boxes: ${meals.length} boxes in ${((performance.now() - from) / 1000).toFixed(1)} s, ${status}`,
);
const looks = Array.from({ length: 30 }, () => {
  const start = performance.now();
  weekSeen(planned, ground);
  weekMisses(planned, ground);
  return performance.now() - start;
});
console.log(`its notes and what it misses: ${quantile(looks, 0.5).toFixed(1)} ms median, ${quantile(looks, 0.95).toFixed(1)} at 95 %`);

for (const [people, kinds, many] of [
  [1, 6, 10],
  [2, 10, 10],
  [4, 14, 5],
]) {
  const times = [];
  let proven = 0;
  for (let seed = 0; seed < many; seed++) {
    const draw = drawsOf(seed);
    const drawn = {
      people: Array.from({ length: people }, (_, i) => ({
        ...{ id: `p${i}`, name: `P${i}` },
        targets: [
          { figure: 'energyKcal', is: 'at least', amount: 700 + 10 * draw(50) },
          { figure: 'protein', is: 'at least', amount: 30 + draw(30) },
          { figure: 'energyKcal', is: 'at most', amount: 1500 },
        ],
      })),
      pools: Array.from({ length: kinds }, (_, i) => {
        const cooked = dayAfter('2026-11-29', draw(4));
        return {
          ...{ key: JSON.stringify(['s', i + 1]), box: { session: 's', dish: i + 1 }, recipe: `r${Math.floor(i / 1.5)}`, title: `D${i}` },
          ...{ count: 2 + draw(7), cooked, planned: true, because: '', fridgeUntil: dayAfter(cooked, 1 + draw(3)) },
          ...(draw(10) < 7 ? { freezerUntil: dayAfter(cooked, 60 + draw(40)) } : {}),
          contents: [{ figures: { energyKcal: { amount: 200 + draw(500) }, protein: { amount: 8 + draw(40) } } }],
        };
      }),
      ...{ others: [], gone: [], today: '2026-11-29' },
    };
    const start = performance.now();
    const found = proposeWeek({ id: 'w', from: '2026-11-30', meals: [] }, drawn, solve);
    times.push((performance.now() - start) / 1000);
    if (found.proven) proven++;
  }
  console.log(
    `${many} weeks of ${people} people and ${kinds} kinds of boxes: ${quantile(times, 0.5).toFixed(1)} s median, ${quantile(times, 1).toFixed(1)} s at most; ${proven} proven in ${SECONDS} s`,
  );
}
