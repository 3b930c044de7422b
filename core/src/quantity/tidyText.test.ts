import fc from 'fast-check';
import { cutText, tidyText } from './tidyText.js';

test('text is composed, and halves of letters are replaced', () => {
  expect(tidyText('cre\u0300me')).toBe('crème');
  expect(tidyText('plum \ud83c')).toBe('plum \ufffd');
  expect(tidyText('\udf72 plum')).toBe('\ufffd plum');
  expect(tidyText('🍲 as it is')).toBe('🍲 as it is');
});

test('a text is cut between letters as people see them', () => {
  expect(cutText('plum', 10)).toBe('plum');
  expect(cutText('plum 🍲', 6)).toBe('plum ');
  expect(cutText('plum 👩‍🍳!', 9)).toBe('plum ');
  expect(cutText('cre\u0300me', 3)).toBe('cr');
  expect(cutText('x'.repeat(300), 200)).toHaveLength(200);
});

test('wherever it is cut, it is no longer than asked, begins as it did, and is well-formed', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary', maxLength: 300 }), fc.nat(320), (text, most) => {
      const cut = cutText(text, most);
      expect(cut.length).toBeLessThanOrEqual(Math.max(most, 0));
      expect(text.startsWith(cut)).toBe(true);
      expect(tidyText(cut)).toBe(cut.normalize('NFC'));
    }),
  );
});
