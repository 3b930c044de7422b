import { faultWords, placeWords } from './faultWords';

const recipe = { parts: [{ id: 'dal', name: 'Dal', lines: [{ text: '300 g lentils' }, { food: 'salt', amount: 2, unit: 'g' }] }] };

test.each([
  ['document.parts[0].lines[0].unit', '“300 g lentils”'],
  ['document.parts[0].name', 'Part “Dal”'],
  ['document.parts[7].name', 'The parts'],
  ['document.steps[2]', 'Step 3'],
  ['document.steps', 'The method'],
  ['document.title', 'The title'],
  ['document.storage.reheat', 'How it keeps'],
  ['document.id', ''],
])('%s is %s', (path, words) => {
  expect(placeWords(path, recipe)).toBe(words);
});

test('a fault reads as a sentence with its place; one without a place says its path', () => {
  const problem = (path: string, more = 0) => ({
    status: 422,
    title: '',
    detail: 'nothing was saved',
    faults: Array.from({ length: 1 + more }, () => ({ path, message: 'is wrong' })),
  });
  expect(faultWords(problem('document.steps[0]'), recipe)).toBe('Step 1: is wrong.');
  expect(faultWords(problem('document.steps[0]', 2), recipe)).toBe('Step 1: is wrong (and 2 more).');
  expect(faultWords(problem('document.id'), recipe)).toBe('id is wrong.');
  expect(faultWords({ ...problem(''), faults: [] }, recipe)).toBe('Nothing was saved.');
});
