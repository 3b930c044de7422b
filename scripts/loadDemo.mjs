// Loads the demo kitchen through the import everyone uses, into an empty kitchen only.
import { readFileSync } from 'node:fs';
import { signIn } from './signedIn.mjs';

const [address] = process.argv.slice(2);
const { ask } = await signIn(address, process.env.DATABASE_URL);
const kitchen = await (await ask('/api/kitchen')).json();
if (!kitchen.empty) {
  console.error('The kitchen holds recipes or foods already; the demo is not loaded over them.');
} else {
  console.error('Loading the demo kitchen, Saltmarsh Suppers ...');
  const answer = await ask(`/api/imports/kitchen-file?name=${encodeURIComponent('Saltmarsh Suppers')}`, {
    method: 'POST',
    body: readFileSync(new URL('../demo/saltmarsh-suppers.json', import.meta.url)),
  });
  if (answer.ok) await ask(`/api/imports/starter-pantry`, { method: 'POST' });
  else {
    console.error(await answer.text());
    process.exit(1);
  }
  await underEarlierLabel('white-beans-harbour', { energyKcal: 96, carbohydrate: 12.6 }, () =>
    publishEarlier('white-bean-and-kale-soup', (soup) => ({
      ...soup,
      lead: 'Six bowls by the ladle. Freezes flat in bags.',
      steps: soup.steps.map((step) => (typeof step === 'string' ? withShortKale(step) : { ...step, text: withShortKale(step.text) })),
    })),
  );
  await publishEarlier('overnight-oats-plum-compote', (oats) => oats);
  await publishCorrected('egg-and-leek-muffins', withMoreCheese, 'twice the cheese stood in the list.');
}

/** Does something while a food still has the label it had before its last one. */
async function underEarlierLabel(id, nutrients, work) {
  const { revision, document } = await (await ask(`/api/foods/${id}`)).json();
  const earlier = { ...document, nutrients: { ...document.nutrients, ...nutrients } };
  const saved = await asked(`/api/foods/${id}`, 'PUT', { revision, document: earlier });
  await work();
  await asked(`/api/foods/${id}`, 'PUT', { revision: saved.revision, document });
}

/** The muffins with a list that said too much of the cheese: what was published, and put right. */
function withMoreCheese(muffins) {
  return {
    ...muffins,
    parts: muffins.parts.map((part) => ({
      ...part,
      lines: part.lines.map((line) => (/cheese/.test(line.text ?? '') ? { ...line, amount: 2 * line.amount } : line)),
    })),
  };
}

/** Publishes a card of a dish as it was, then as it is, with what that puts right. */
async function publishCorrected(id, earlier, why) {
  await publishEarlier(id, earlier);
  const cards = await (await ask(`/api/published-cards`)).json();
  const energy = cards.find(({ recipe }) => recipe === id)?.drift.find(({ name }) => name === 'Energy');
  await asked(`/api/recipes/${id}/published-cards`, 'POST', { correction: `energy was ${energy?.was}, is ${energy?.is}: ${why}` });
}

function withShortKale(text) {
  return text.replace('Stir in the kale, 5 min,', 'Stir in the kale, 3 min,');
}

/** Publishes a card of a dish as it was before its last change: one that has drifted since, where there was a change. */
async function publishEarlier(id, earlier) {
  const opened = await (await ask(`/api/recipes/${id}`)).json();
  const now = opened.document;
  const before = earlier(now);
  const { revision } = before === now ? opened : await save(id, opened.revision, before);
  await asked(`/api/recipes/${id}/published-cards`, 'POST', {});
  if (before !== now) await save(id, revision, now);
}

function save(id, revision, document) {
  return asked(`/api/recipes/${id}`, 'PUT', { revision, document });
}

async function asked(path, method, body) {
  const answer = await ask(path, { method, body: JSON.stringify(body) });
  const told = await answer.text();
  if (answer.ok) return JSON.parse(told);
  console.error(told);
  process.exit(1);
}
