import { addFigures, figureOf, isAtLeast, shareOf } from './figure.js';

test('an unknown term adds a gap, a known zero adds zero', () => {
  const figure = figureOf([
    { at: 'a/1', amount: 7, lacking: false },
    { at: 'a/2', amount: undefined, lacking: true },
    { at: 'a/3', amount: 0, lacking: false },
  ]);
  expect(figure).toEqual({ amount: 7, gaps: ['a/2'] });
  expect(isAtLeast(figure)).toBe(true);
});

test('nothing known is no figure, not zero', () => {
  expect(figureOf([{ at: 'a/1', amount: undefined, lacking: true }]).amount).toBeUndefined();
  expect(figureOf([{ at: 'a/1', amount: 0, lacking: false }]).amount).toBe(0);
});

test('adding and sharing keep the gaps', () => {
  const sum = addFigures([shareOf({ amount: 10, gaps: ['a/2'] }, 0.2), { amount: 3, gaps: [] }, { amount: undefined, gaps: ['b/1'] }]);
  expect(sum).toEqual({ amount: 5, gaps: ['a/2', 'b/1'] });
});
