import { pageText } from './pageText.js';

const bytes = (text: string, encoding: BufferEncoding = 'utf8') => new Uint8Array(Buffer.from(text, encoding));

test.each([
  ['a mark at its beginning', bytes('\ufeffCrème'), '', 'Crème'],
  ['UTF-8 without a word', bytes('½ tête d’ail'), '', '½ tête d’ail'],
  ['what is sound UTF-8 is that, whatever its server says', bytes('Kürbis'), 'text/html; charset=ISO-8859-1', 'Kürbis'],
  ['Latin-1 by its server', bytes('Kürbis', 'latin1'), 'text/html; charset=iso-8859-1', 'Kürbis'],
  ['Windows letters without a word', Uint8Array.from([0x64, 0x92, 0x61, 0x69, 0x6c]), '', 'd’ail'],
  ['two bytes a letter', bytes('1 leek, 2 onions', 'utf16le'), '', '1 leek, 2 onions'],
  ['an encoding nobody knows', bytes('K\xfcrbis', 'latin1'), 'text/html; charset=x-none', 'Kürbis'],
  ['what the page says', bytes('<meta charset="windows-1251">\xca', 'latin1'), '', '<meta charset="windows-1251">К'],
])('%s', (_, given, type, text) => {
  expect(pageText(given, type).replace(/^\ufeff/, '')).toBe(text);
});
