import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { kitchenSchema, readKitchen } from '../src/index.js';

const json = (...path: string[]) => JSON.parse(readFileSync(join(__dirname, ...path), 'utf8')) as object;
const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(kitchenSchema());

test('the schema shipped in docs is the one the classes make', () => {
  expect(json('../../docs/kitchen-file.schema.json')).toEqual(JSON.parse(JSON.stringify(kitchenSchema())));
});

const cases = readdirSync(join(__dirname, 'cases')).filter((name) => name.endsWith('.json') && !name.endsWith('.expected.json'));
test.each(cases)('%s is valid by the schema', (name) => {
  expect(validate(json('cases', name)) ? [] : validate.errors).toEqual([]);
});

test('the demo kitchen is valid by the schema', () => {
  expect(validate(json('../../demo/saltmarsh-suppers.json')) ? [] : validate.errors).toEqual([]);
});

const FOOD = { id: 'oats', name: 'Oats' };
test.each<[string, object]>([
  ['no format', {}],
  ['an unknown key', { format: 'portiona/1', food: [] }],
  ['an id in capitals', { format: 'portiona/1', foods: [{ id: 'Oats', name: 'Oats' }] }],
  ['refuse of 1', { format: 'portiona/1', foods: [{ ...FOOD, refuse: 1 }] }],
  ['density 0', { format: 'portiona/1', foods: [{ ...FOOD, density: 0 }] }],
  ['an unknown nutrient', { format: 'portiona/1', foods: [{ ...FOOD, nutrients: { protien: 1 } }] }],
  ['servings 0', { format: 'portiona/1', recipes: [{ id: 'd', title: 'D', servings: 0, parts: [{ id: 'p', name: 'P', lines: [] }] }] }],
  ['no parts', { format: 'portiona/1', recipes: [{ id: 'd', title: 'D', servings: 1, parts: [] }] }],
  [
    'half a scaling rule',
    {
      format: 'portiona/1',
      recipes: [
        {
          id: 'd',
          title: 'D',
          servings: 1,
          parts: [{ id: 'p', name: 'P', lines: [{ food: 'oats', amount: 1, unit: 'g', scaling: { ratioTo: 'q' } }] }],
        },
      ],
    },
  ],
])('schema and reader refuse %s alike', (_, file) => {
  expect(validate(file)).toBe(false);
  expect(readKitchen(file, '2031-03-10').ok).toBe(false);
});
