import { nameOfLine, type Finding, type Recipe, type RecipeFigures } from '@portiona/core';

/** A place of the dish that Check looks at, in the dish's own order. */
export interface CheckedPlace {
  readonly id: string;
  readonly name: string;
  readonly findings: readonly Finding[];
}

/** The spine: every place of a dish in the order it is read, in groups, with what was found there. */
export function placesOf(recipe: Recipe, open: readonly Finding[]): readonly (readonly CheckedPlace[])[] {
  const at = (test: (one: string) => boolean) => open.filter((finding) => test(finding.at));
  const parts = recipe.parts.map(({ id, name, lines }) => ({
    id: `part:${id}`,
    name: lines.length === 1 ? name : `${name}, ${lines.length} lines`,
    findings: at((one) => one === id || one.startsWith(`${id}/`)),
  }));
  const steps = (recipe.steps ?? []).map((_, i) => ({
    id: `step/${i + 1}`,
    name: `Step ${i + 1}`,
    findings: at((one) => one === `step/${i + 1}`),
  }));
  return [
    [
      { id: 'title', name: 'Title', findings: at((one) => one === 'title') },
      { id: 'lead', name: 'Lead', findings: at((one) => one === 'lead') },
    ],
    parts,
    steps,
    [
      { id: 'storage', name: 'Keeping, reheating', findings: at((one) => one === 'storage') },
      { id: 'foods', name: 'Labels, prices', findings: at((one) => one.startsWith('food:')) },
      { id: 'serving', name: `A ${recipe.servingName ?? 'serving'}, its card`, findings: at((one) => one === 'serving') },
    ],
  ].filter((group) => group.length > 0);
}

/** The place on the spine that a finding belongs to. */
export function placeOfFinding({ at }: Pick<Finding, 'at'>): string {
  if (at.startsWith('food:')) return 'foods';
  if (at === 'title' || at === 'lead' || at === 'storage' || at === 'serving' || at.startsWith('step/')) return at;
  return `part:${at.split('/')[0] ?? ''}`;
}

/** What a place is called beside a finding: "Step 3", "Dal, line 11", the food's name. */
export function placeName(at: string, recipe: Recipe, figures: RecipeFigures): string {
  if (at === 'title') return 'Title';
  if (at === 'lead') return 'Lead';
  if (at === 'storage') return 'Keeping';
  if (at === 'serving') return `A ${recipe.servingName ?? 'serving'}, its card`;
  const step = /^step\/(\d+)$/.exec(at);
  if (step) return `Step ${step[1]}`;
  if (at.startsWith('food:')) return 'Label';
  const [part, line] = at.split('/');
  const name = recipe.parts.find(({ id }) => id === part)?.name ?? part ?? '';
  if (line === undefined) return name;
  const figure = figures.lines.find((one) => one.at === at);
  return figure ? `${name}: ${nameOfLine(figure)}` : `${name}, line ${line}`;
}

/** A place where the dish itself is not at hand: "Step 3", "dal, line 11", "Label". */
export function placeShort(at: string): string {
  const step = /^step\/(\d+)$/.exec(at);
  if (step) return `Step ${step[1]}`;
  if (at.startsWith('food:')) return 'Label';
  if (at === 'title') return 'Title';
  if (at === 'lead') return 'Lead';
  if (at === 'storage') return 'Keeping';
  if (at === 'serving') return 'A serving, its card';
  const [part = '', line] = at.split('/');
  const name = part.replace(/-/g, ' ');
  return line === undefined ? name : `${name}, line ${line}`;
}
