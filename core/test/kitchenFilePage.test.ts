import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { kitchenSchema } from '../src/index.js';

const page = readFileSync(join(__dirname, '../../docs/kitchen-file.md'), 'utf8');
const sectionOf = (heading: string) => new RegExp(`^## ${heading}$([^]*?)(?=^## |(?![^]))`, 'm').exec(page)?.[1] ?? '';
interface Shape {
  readonly properties: Readonly<Record<string, unknown>>;
}
const { $defs } = kitchenSchema() as unknown as { $defs: Readonly<Record<string, Shape>> };

test.each([
  ['Settings', 'KitchenSettings'],
  ['Food', 'Food'],
  ['Pack', 'Pack'],
  ['Recipe', 'Recipe'],
  ['Part', 'Part'],
  ['Line', 'Line'],
  ['Step', 'Step'],
  ['Variant', 'Variant'],
  ['Batch', 'Batch'],
])('the page on the kitchen file tells every key of %s', (heading, entry) => {
  const told = sectionOf(heading);
  const keys = Object.keys($defs[entry]?.properties ?? {}).filter((key) => key !== 'id' || heading !== 'Pack');
  expect(keys.length).toBeGreaterThan(1);
  expect(keys.filter((key) => !new RegExp(`(?<![A-Za-z])${key}(?![A-Za-z])`).test(told))).toEqual([]);
});
