import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Kitchen, readKitchen, type Finding, type Recipe } from '@portiona/core';
import { placeName, placeOfFinding, placeShort, placesOf } from './findingPlaces';
import { mendedWords, wordsChanged } from './mendedWords';
import { recipeFigures } from '@portiona/core';

const read = readKitchen(JSON.parse(readFileSync(join(__dirname, '../../../../demo/saltmarsh-suppers.json'), 'utf8')), '2026-11-29');
if (!read.ok) throw new Error('the demo kitchen cannot be read');
const kitchen = new Kitchen(read.entry);
const dish = read.entry.recipes.find(({ id }) => id === 'smoky-lentil-and-squash-dal') as Recipe;
const finding = (over: Partial<Finding>): Finding => ({ code: 'no-sign', at: 'step/3', severity: 'look', message: '', ...over });

test('of two texts, what went and what came, whole words of it', () => {
  expect(wordsChanged('Five boxes under 650 kcal.', 'Five boxes about 670 kcal.')).toEqual({
    before: 'Five boxes ',
    gone: 'under 650',
    come: 'about 670',
    behind: ' kcal.',
  });
  expect(wordsChanged('28 min; rest.', '28 min, until soft; rest.')).toMatchObject({ gone: '', come: ', until soft', behind: '; rest.' });
  expect(wordsChanged('as it was', 'as it was')).toMatchObject({ gone: '', come: '' });
});

test('a mend of a text is drawn into the place’s own words, mentions by what they are called', () => {
  const words = mendedWords(finding({}), { kind: 'text', words: '', at: 'lead', text: `${dish.lead} Cheap.` }, dish, kitchen);
  expect(words).toMatchObject({ gone: '', come: ' Cheap.' });
  const step = mendedWords(finding({ message: '“28 min” on the heat' }), undefined, dish, kitchen);
  expect(step).toMatchObject({ before: 'Meanwhile cook brown rice in water, lid on, low, ', come: '28 min', isQuote: true });
});

test('keeping and minutes are drawn as they are stated', () => {
  const storage = mendedWords(finding({}), { kind: 'storage', words: '', fridgeDays: 3 }, dish, kitchen);
  expect(storage).toEqual({ before: 'Fridge: ', gone: '1 day', come: '3 days', behind: '' });
  const minutes = mendedWords(finding({}), { kind: 'minutes', words: '', totalMinutes: 60 }, dish, kitchen);
  expect(minutes).toEqual({ before: 'In all: ', gone: '55 min', come: '60 min', behind: '' });
});

test('places stand in the dish’s own order, each with what was found there', () => {
  const open = [finding({}), finding({ at: 'dal/2' }), finding({ at: 'food:leek' }), finding({ at: 'title' })];
  const found = placesOf(dish, open).flatMap((group) => group.flatMap(({ id, findings }) => (findings.length > 0 ? [id] : [])));
  expect(found).toEqual(['title', 'part:dal', 'step/3', 'foods']);
  expect(open.map(placeOfFinding)).toEqual(['step/3', 'part:dal', 'foods', 'title']);
});

test('places by name, with the dish at hand and without', () => {
  const figures = recipeFigures(dish, kitchen);
  expect(['step/3', 'dal/2', 'dal', 'storage', 'food:leek', 'serving', 'lead', 'title'].map((at) => placeName(at, dish, figures))).toEqual([
    'Step 3',
    'Dal: Butternut squash, raw',
    'Dal',
    'Keeping',
    'Label',
    'A box, its card',
    'Lead',
    'Title',
  ]);
  expect(['step/3', 'red-dal/2', 'storage', 'food:leek', 'serving'].map(placeShort)).toEqual([
    'Step 3',
    'red dal, line 2',
    'Keeping',
    'Label',
    'A serving, its card',
  ]);
});
