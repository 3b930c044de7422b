import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const root = join(__dirname, '../..');
const sources = ['core/src', 'server/src', 'web/src'].flatMap((folder) =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name))
    .map((name) => join(folder, name)),
);
const headings = new Set([...readFileSync(join(root, 'docs/reckoning.md'), 'utf8').matchAll(/^## (.*)$/gm)].map(([, heading]) => heading));

test('where a formula is said to come from, there is a heading of that name', () => {
  const cited = sources.flatMap((name) => {
    const comments = readFileSync(join(root, name), 'utf8').replace(/\n\s*\*\s*/g, ' ');
    return [...comments.matchAll(/docs\/reckoning\.md,(?: from)? ((?:"[^"]+"(?:, | to )?)+)/g)].flatMap(([, list = '']) =>
      [...list.matchAll(/"([^"]+)"/g)].map(([, heading]) => ({ name, heading })),
    );
  });
  expect(cited.length).toBeGreaterThan(50);
  expect(cited.filter(({ heading }) => !headings.has(heading ?? ''))).toEqual([]);
});

test('every heading of it is cited somewhere', () => {
  const all = sources.map((name) => readFileSync(join(root, name), 'utf8').replace(/\n\s*\*\s*/g, ' ')).join('\n');
  expect([...headings].filter((heading) => !all.includes(`"${heading}"`))).toEqual([]);
});
