import { numbersOfText, usesOfText, usesText } from './timingText';
import { documentOf, stepsOf } from './stepDocument';

test('what is held is written and read again as it was', () => {
  const uses = [
    { name: 'hob', at: undefined },
    { name: 'oven', at: 200 },
  ];
  expect(usesText(uses)).toBe('hob, oven 200 °C');
  expect(usesOfText('hob, oven 200 °C')).toEqual(['hob', { name: 'oven', at: 200 }]);
  expect(usesOfText(' oven at 180C ,, slow  cooker')).toEqual([{ name: 'oven', at: 180 }, 'slow cooker']);
  expect(usesOfText('5 l pot')).toEqual(['5 l pot']);
});

test('numbers of steps, and nothing else', () => {
  expect(numbersOfText('1, 3 and 3')).toEqual([1, 3]);
  expect(numbersOfText('the first')).toBeUndefined();
});

test('what is said of a step stays with it through the editor, and what it waits for follows its steps', () => {
  const steps = [
    { id: 's1', text: 'Rinse.', minutes: 4 },
    { id: 's2', text: 'Chop.', uses: [] },
    { id: 's3', text: 'Join.', after: [1, 2], within: 3, or: [{ name: 'later', text: 'Tomorrow.' }] },
  ];
  const document = documentOf(steps);
  expect(stepsOf(document)).toEqual(steps);
  const [first, second, third] = document.content ?? [];
  expect(stepsOf({ content: [second, first, third].flatMap((one) => one ?? []) })[2]).toMatchObject({ after: [2, 1] });
  // One that is gone is waited for no more.
  expect(stepsOf({ content: [first, third].flatMap((one) => one ?? []) })[1]).toMatchObject({ after: [1] });
});
