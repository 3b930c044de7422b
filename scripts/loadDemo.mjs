// Loads the demo kitchen through the import everyone uses, into an empty kitchen only.
import { readFileSync } from 'node:fs';

const [address] = process.argv.slice(2);
const kitchen = await (await fetch(`${address}/api/kitchen`)).json();
if (!kitchen.empty) {
  console.error('The kitchen holds recipes or foods already; the demo is not loaded over them.');
} else {
  console.error('Loading the demo kitchen, Saltmarsh Suppers ...');
  const answer = await fetch(`${address}/api/imports/kitchen-file?name=${encodeURIComponent('Saltmarsh Suppers')}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: readFileSync(new URL('../demo/saltmarsh-suppers.json', import.meta.url)),
  });
  if (answer.ok) await fetch(`${address}/api/imports/starter-pantry`, { method: 'POST', headers: { 'content-type': 'application/json' } });
  else {
    console.error(await answer.text());
    process.exit(1);
  }
}
