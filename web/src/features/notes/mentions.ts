import type { MemberDto } from '../../api/api.gen';

/** A piece of a note: words, or a member who is called. */
export interface NotePiece {
  readonly text: string;
  readonly calls?: string;
}

/** Members by their names, longest first: "@Tilde Marsh" is not "@Tilde". */
function byLength(members: readonly MemberDto[]): readonly MemberDto[] {
  return [...members].sort((a, b) => b.name.length - a.name.length);
}

/** A note's words with those who are called in it: "@" and a member's name, in whatever capitals. */
export function notePieces(text: string, members: readonly MemberDto[]): readonly NotePiece[] {
  const pieces: NotePiece[] = [];
  let plain = '';
  for (let at = 0; at < text.length;) {
    const called = text[at] === '@' ? calledAt(text, at, members) : undefined;
    if (!called) {
      plain += text[at];
      at++;
      continue;
    }
    if (plain !== '') pieces.push({ text: plain });
    plain = '';
    pieces.push({ text: text.slice(at, at + 1 + called.name.length), calls: called.id });
    at += 1 + called.name.length;
  }
  return plain === '' ? pieces : [...pieces, { text: plain }];
}

function calledAt(text: string, at: number, members: readonly MemberDto[]): MemberDto | undefined {
  return byLength(members).find(({ name }) => {
    const end = at + 1 + name.length;
    return text.slice(at + 1, end).toLowerCase() === name.toLowerCase() && !/[\p{L}\p{N}]/u.test(text[end] ?? '');
  });
}

/** Who is called in a note, each once. */
export function calledIn(text: string, members: readonly MemberDto[]): readonly string[] {
  return [...new Set(notePieces(text, members).flatMap(({ calls }) => calls ?? []))];
}
