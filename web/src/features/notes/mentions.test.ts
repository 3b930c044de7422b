import type { MemberDto } from '../../api/api.gen';
import { calledIn, notePieces } from './mentions';

const member = (id: string, name: string): MemberDto => ({ id, name, role: 'editor', costs: true, you: false, joinedAt: '' });
const MEMBERS = [member('t', 'Tilde'), member('tm', 'Tilde Marsh'), member('b', 'Bram')];

test('who is called is who is meant: the longest name, in whatever capitals, and each once', () => {
  expect(calledIn('@Tilde Marsh, and @bram, @Bram', MEMBERS)).toEqual(['tm', 'b']);
  expect(calledIn('@tilde: salt?', MEMBERS)).toEqual(['t']);
});

test('what only looks like a name calls nobody', () => {
  expect(calledIn('@Tildes, tilde, mail@brambles.example, @', MEMBERS)).toEqual([]);
});

test('the pieces put together are the note', () => {
  const text = 'a @Bram b @Nobody @Tilde Marsh';
  expect(
    notePieces(text, MEMBERS)
      .map((piece) => piece.text)
      .join(''),
  ).toBe(text);
});
