import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { schemaOrgFaults } from '../../test/schemaOrgFaults.js';
import { Kitchen, type CardChoices, type KitchenContent } from '../recipe/index.js';
import { cardContent } from './cardContent.js';
import { schemaOrgRecipe } from './schemaOrgRecipe.js';

const demo = JSON.parse(readFileSync(join(__dirname, '../../../demo/saltmarsh-suppers.json'), 'utf8')) as KitchenContent;
const kitchen = new Kitchen({
  ...demo,
  settings: {
    currency: 'EUR',
    measures: 'metric',
    rules: 'plain',
    staples: 'counted',
    date: '2026-11-25',
    card: { publication: 'Saltmarsh Suppers', address: 'saltmarsh.example' },
  },
});
const said = (id: string, card: CardChoices = {}, on?: string) =>
  schemaOrgRecipe(
    cardContent({ ...demo.recipes.find((recipe) => recipe.id === id)!, card }, kitchen),
    on === undefined
      ? {}
      : {
          published: '2026-11-02',
          modified: on,
          url: 'https://c.example/a',
          images: ['https://c.example/a.png', 'data:image/jpeg;base64,AA=='],
        },
  );

test.each(
  demo.recipes.flatMap(({ id }) => [
    [id, {}] as const,
    [id, { rules: 'eu', claims: true, about: true, numbers: 'de' }] as const,
    [id, { rules: 'us', cost: 'none', figures: [] }] as const,
  ]),
)('%s as data is as the published vocabulary has it, printed by %j', (id, card) => {
  expect(schemaOrgFaults(said(id, card as CardChoices, '2026-11-17'), 'Recipe')).toEqual([]);
});

test('it says who made it, when it was published, and of diets what the card claims and no more', () => {
  const data = said('smoky-lentil-and-squash-dal', { claims: true }, '2026-11-17');
  expect(data).toMatchObject({
    author: { '@type': 'Organization', name: 'Saltmarsh Suppers', url: 'https://saltmarsh.example' },
    datePublished: '2026-11-02',
    dateModified: '2026-11-17',
    url: 'https://c.example/a',
    image: ['https://c.example/a.png', 'data:image/jpeg;base64,AA=='],
    suitableForDiet: ['https://schema.org/LowFatDiet'],
    tool: [{ name: '5 l pot' }, { name: 'lidded pan' }],
  });
  expect(said('smoky-lentil-and-squash-dal')).not.toHaveProperty('suitableForDiet');
  for (const key of ['datePublished', 'dateModified', 'image', 'url']) expect(said('smoky-lentil-and-squash-dal')).not.toHaveProperty(key);
});

test('an address that is none is no address', () => {
  const strange = new Kitchen({
    ...kitchen.content,
    settings: { ...kitchen.settings, card: { publication: 'P', address: 'javascript:alert(1)' } },
  });
  expect(schemaOrgRecipe(cardContent(demo.recipes[0]!, strange))).toMatchObject({ author: { name: 'P' } });
  expect(JSON.stringify(schemaOrgRecipe(cardContent(demo.recipes[0]!, strange)))).not.toContain('javascript:');
});

test('the judge of the vocabulary finds what is wrong', () => {
  const faults = schemaOrgFaults(
    {
      '@context': 'https://schema.org',
      '@type': 'Recipe',
      name: '',
      totalTime: '55 min',
      cooker: 'me',
      suitableForDiet: ['https://schema.org/Nice'],
      nutrition: { '@type': 'NutritionInformation', calories: '672' },
    },
    'Recipe',
  );
  expect(faults).toEqual([
    'name: "" is no text',
    'totalTime: "55 min" is no duration',
    'cooker: Recipe has no such property',
    'suitableForDiet[0]: "https://schema.org/Nice" is no diet',
    'nutrition.calories: "672" is no energy',
  ]);
});
