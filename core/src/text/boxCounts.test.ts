import { boxCounts, withBoxCount } from './boxCounts.js';

test.each<[string, string | undefined, readonly [string, number][]]>([
  ['Makes 6 boxes.', undefined, [['6 boxes', 6]]],
  ['Six boxes for the week, each of 460 g.', undefined, [['Six boxes', 6]]],
  ['Serves four, hot or cold.', undefined, [['Serves four', 4]]],
  ['Divide between 6 lunch boxes and cool.', undefined, [['6 lunch boxes', 6]]],
  ['A dozen containers, two a day.', undefined, [['A dozen containers', 12]]],
  ['One box keeps a shift going.', undefined, [['One box', 1]]],
  ['Sixteen boxes, for two weeks.', undefined, [['Sixteen boxes', 16]]],
  ['Spoon into 8 jars.', 'jar', [['8 jars', 8]]],
  ['Spoon into 8 jars.', undefined, []],
  ['Spoon into 8 jars (no. 2).', 'jar (no. 2)', []],
  ['Fill 2 of the boxes first.', undefined, []],
  ['Two to a box, with leeks.', undefined, []],
  ['Put three in each box.', undefined, []],
  ['Weigh one for every box.', undefined, []],
  ['Freeze the other 2 boxes.', undefined, []],
  ['Fry for 6 minutes in 2 batches.', undefined, []],
  ['Enough for 3.5 boxes', undefined, []],
  ['A 500 g box holds it.', undefined, []],
  ['Use 1/2 boxes.', undefined, []],
])('%s (a serving is %s)', (text, name, found) => {
  expect(boxCounts(text, name).map(({ words, count }) => [words, count])).toEqual(found);
});

test.each([
  ['Makes 6 boxes.', 8, 'Makes 8 boxes.'],
  ['Six boxes for the week.', 8, 'Eight boxes for the week.'],
  ['six lunch boxes', 1, 'one lunch box'],
  ['six boxes', 14, '14 boxes'],
  ['One box of it.', 3, 'Three boxes of it.'],
  ['It serves 6.', 4, 'It serves 4.'],
])('%s for %d: %s', (text, count, then) => {
  const [found] = boxCounts(text);
  expect(found && withBoxCount(text, found, count)).toBe(then);
});
