// How long one card takes as a picture and as a PDF, alone and beside other work, and a booklet of fifty; and what others wait meanwhile.
import { milliseconds, watched } from './watch.mjs';
import { asOwner } from '../../scripts/asOwner.mjs';

const [address] = process.argv.slice(2);
await asOwner(address);
const asked = async (path, options) => {
  const answer = await fetch(`${address}${path}`, options);
  if (!answer.ok) throw new Error((await answer.text()).slice(0, 300));
  return Buffer.from(await answer.arrayBuffer());
};
const json = (method, body) => ({ method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
const recipes = JSON.parse(await asked('/api/recipes')).map(({ id }) => id);

async function times(name, count, ask) {
  const took = [];
  const { longest } = await watched(address, async () => {
    for (let i = 0; i < count; i++) {
      const began = performance.now();
      await ask(i);
      took.push(performance.now() - began);
    }
  });
  took.sort((a, b) => a - b);
  const at = (share) => milliseconds(took[Math.min(took.length - 1, Math.floor(share * took.length))]);
  console.log(
    `${name.padEnd(52)} ${at(0.5).padStart(8)} at the median, ${at(0.95).padStart(8)} at 95 %; health waits ${milliseconds(longest)} at most`,
  );
}

/** A card as every dish in turn. */
const drawn = (query) => (i) => asked(`/api/recipes/${recipes[i % recipes.length]}/${query}`);
await asked(`/api/recipes/${recipes[0]}/card.pdf`);
await asked(`/api/recipes/${recipes[0]}/card.png`);
await times('a card as a PDF, A5', 30, drawn('card.pdf?format=a5'));
await times('a card as a PDF, A4', 30, drawn('card.pdf?format=a4'));
await times('a card as a picture, 1080 x 1350', 30, drawn('card.png?format=portrait'));
await times('a card laid out for the station, A5', 30, drawn('card-sheet.html?format=a5'));

// Beside other work: lists are asked for, and a dish is saved again and again.
let busy = true;
const work = (async () => {
  const { revision, document } = JSON.parse(await asked(`/api/recipes/${recipes[1]}`));
  for (let now = revision, i = 0; busy; i++) {
    const saved = JSON.parse(
      await asked(`/api/recipes/${recipes[1]}`, json('PUT', { revision: now, document: { ...document, lead: `Words ${i}.` } })),
    );
    now = saved.revision;
    await asked('/api/recipes');
  }
})();
await times('the same beside saves and lists: PDF', 30, drawn('card.pdf?format=a5'));
await times('the same beside saves and lists: picture', 30, drawn('card.png?format=portrait'));
busy = false;
await work;

// Fifty cards: the demo's dishes, five times each.
for (const id of recipes) {
  const { document } = JSON.parse(await asked(`/api/recipes/${id}`));
  for (let copy = 1; copy < 5; copy++)
    await asked(
      '/api/recipes',
      json('POST', { document: { ...document, id: `${id}-${copy}`, series: 'Fifty', number: undefined, accepted: undefined } }),
    );
  await asked(
    `/api/recipes/${id}`,
    json('PUT', { revision: JSON.parse(await asked(`/api/recipes/${id}`)).revision, document: { ...document, series: 'Fifty' } }),
  );
}
const { made, took, longest } = await watched(address, async () => {
  const { id, total } = JSON.parse(await asked('/api/bundles', json('POST', { kind: 'booklet', of: 'drafts', series: 'Fifty' })));
  for (;;) {
    const bundle = JSON.parse(await asked(`/api/bundles/${id}`));
    if (bundle.state === 'done') return `${total - 1} cards, ${(bundle.bytes / 1e6).toFixed(1)} MB`;
    if (bundle.state !== 'running') throw new Error(bundle.message);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
});
console.log(`a booklet of fifty, A5: ${made}, ${milliseconds(took)}; health waits ${milliseconds(longest)} at most`);
