import { cardSeries } from './cardSeries.js';

test.each([
  ['', '', undefined],
  ['Night Watch', 'Night Watch', undefined],
  ['Night Watch, no. 7', 'Night Watch', 7],
  ['Night Watch, no. 112', 'Night Watch', 112],
  ['Night Watch, no. 2.5', 'Night Watch', 2.5],
  ['One, no. 2, no. 3', 'One, no. 2', 3],
  ['No. 5, no. x', 'No. 5, no. x', undefined],
])('%j is %j, number %j', (series, name, number) => {
  expect(cardSeries(series)).toEqual({ name, number });
});
