/** Missing numbers told one by one, at most. */
const MOST_TOLD = 6;

/** A dish of a series with its number. */
export interface Numbered {
  readonly title: string;
  readonly number: number | null;
}

/**
 * What is wrong with the numbers of a series: the same one twice, one that is missing between the first and the last, none at all.
 *
 * @example numbersTrouble([{ title: 'Dal', number: 1 }, { title: 'Soup', number: 3 }]) // ['No. 2 is missing.']
 */
export function numbersTrouble(dishes: readonly Numbered[]): readonly string[] {
  const byNumber = new Map<number, string[]>();
  for (const { title, number } of dishes) if (number !== null) byNumber.set(number, [...(byNumber.get(number) ?? []), title]);
  const numbers = [...byNumber.keys()].sort((a, b) => a - b);
  const doubled = numbers.flatMap((number) => {
    const titles = byNumber.get(number) ?? [];
    return titles.length > 1
      ? [`No. ${number} stands ${titles.length === 2 ? 'twice' : `${titles.length} times`}: ${titles.join('; ')}.`]
      : [];
  });
  const missing: number[] = [];
  numbers.slice(1).forEach((number, i) => {
    for (let n = Math.floor(numbers[i] ?? 0) + 1; n < number && missing.length <= MOST_TOLD; n++) missing.push(n);
  });
  const told = missing.slice(0, MOST_TOLD).map((n) => `no. ${n}`);
  const unnumbered = dishes.filter(({ number }) => number === null).map(({ title }) => title);
  return [
    ...doubled,
    ...(missing.length === 0
      ? []
      : [`${capital(listed(told, missing.length > MOST_TOLD))} ${missing.length === 1 ? 'is' : 'are'} missing.`]),
    ...(unnumbered.length === 0 ? [] : [`Without a number: ${unnumbered.join('; ')}.`]),
  ];
}

function listed(words: readonly string[], more: boolean): string {
  if (more) return `${words.join(', ')} and more`;
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
