/** Two letters that stand for a name: "Tilde Marsh" is "TM", "Bram" is "Br". */
export function initials(name: string): string {
  const words = name.trim().split(/\s+/);
  const [first = '', last] = [words[0], words.length > 1 ? words.at(-1) : undefined];
  const letters = (word: string, count: number) => [...word].slice(0, count).join('');
  return last === undefined ? letters(first, 2) : letters(first, 1) + letters(last, 1);
}
