import { usualOfPlace } from './usualOfPlace';

test.each([
  ['en-US', 'USD', 'us', 'us', true],
  ['en-GB', 'GBP', 'metric', 'eu', true],
  ['de-AT', 'EUR', 'metric', 'eu', true],
  ['en-AU', 'AUD', 'au', 'eu', true],
  ['zh-Hant-TW', 'EUR', 'metric', 'eu', false],
  ['en', 'EUR', 'metric', 'eu', false],
  ['', 'EUR', 'metric', 'eu', false],
])('%s: %s, %s, %s', (language, currency, measures, rules, known) => {
  expect(usualOfPlace(language)).toEqual({ usual: { currency, measures, rules }, known });
});
