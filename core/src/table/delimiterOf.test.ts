import { delimiterOf, quoteOf } from './delimiterOf.js';

test.each([
  ['a,b,c\n1,2,3\n"x,y",2,3', ','],
  ['a;b;c\n1,5;2,5;3\n1,5;"2;5";3', ';'],
  ['a\tb\tc\n1\t2,5\t3', '\t'],
  ['a|b|c\n1|2, and more|3', '|'],
  ['~01001~^~Leek, raw~^61^1.5', '^'],
  ['one column\nonly', ','],
])('%j is delimited by %j', (text, delimiter) => {
  expect(delimiterOf(text, quoteOf(text))).toBe(delimiter);
});

/** What a table is taken for: heading over target and unit. */
