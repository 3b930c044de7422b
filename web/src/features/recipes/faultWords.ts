import { lineText, type Recipe } from '@portiona/core';
import type { Problem } from '../../api/problem';

const HEAD_WORDS: Readonly<Record<string, string>> = {
  title: 'The title',
  lead: 'The lead',
  servings: 'The number of servings',
  servingName: 'What one serving is called',
  series: 'The series',
  storage: 'How it keeps',
  brief: 'The brief',
  parts: 'The parts',
  steps: 'The method',
  variants: 'A variant',
};

/** Where a fault of a recipe is, in words a person knows the place by; empty where there are none. */
export function placeWords(path: string, { parts }: Pick<Recipe, 'parts'>): string {
  const at = path.replace(/^document\.?/, '');
  const [, part, line] = /^parts\[(\d+)\](?:\.lines\[(\d+)\])?/.exec(at) ?? [];
  const found = parts[Number(part)];
  const written = found?.lines[Number(line)];
  if (written) return `“${written.text ?? lineText(written, undefined)}”`;
  if (found) return `Part “${found.name}”`;
  const step = /^steps\[(\d+)\]/.exec(at)?.[1];
  if (step !== undefined) return `Step ${Number(step) + 1}`;
  return HEAD_WORDS[at.split(/[.[]/)[0] ?? ''] ?? '';
}

/** What is wrong with a recipe in one sentence, by the place that a person knows. */
export function faultWords({ faults, detail }: Problem, recipe: Pick<Recipe, 'parts'>): string {
  const [first] = faults;
  if (!first) return `${detail.charAt(0).toUpperCase()}${detail.slice(1)}.`;
  const place = placeWords(first.path, recipe);
  const more = faults.length > 1 ? ` (and ${faults.length - 1} more)` : '';
  return place === '' ? `${first.path.replace(/^document\.?/, '')} ${first.message}${more}.`.trim() : `${place}: ${first.message}${more}.`;
}
