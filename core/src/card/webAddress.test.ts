import { webAddress } from './webAddress.js';

test.each([
  ['saltmarsh.example', 'https://saltmarsh.example'],
  ['suppers.saltmarsh.example/nw7', 'https://suppers.saltmarsh.example/nw7'],
  ['javascript:alert(1)', undefined],
  ['saltmarsh', undefined],
  ['-bad.example', undefined],
  ['saltmarsh.example/"><b>', undefined],
  ['//saltmarsh.example', undefined],
  ['', undefined],
  [undefined, undefined],
])('%j leads to %j', (printed, address) => {
  expect(webAddress(printed)).toBe(address);
});
