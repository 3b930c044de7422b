import type { CardContent, CardFigure } from './cardContent.js';

/** Something a reader sees on a published card that would be printed otherwise today. */
export interface CardDrift {
  readonly name: string;
  /** As published, with its unit; empty: it was not on the card. */
  readonly was: string;
  readonly is: string;
}

/**
 * How a published card has drifted from today's labels, prices and recipe: every printed figure, allergen and amount that would
 * read otherwise. What rounds to the same text has not drifted.
 *
 * @param was the card as it was published
 * @param now the card of the recipe as everything stands
 */
export function cardDrift(was: CardContent, now: CardContent): readonly CardDrift[] {
  return [
    ...figuresDrifted(figuresOf(was), figuresOf(now)),
    ...indexDrifted(was.index, now.index),
    ...textsDrifted('Allergens in the box', was.allergensInBox.join(', '), now.allergensInBox.join(', ')),
    ...textsDrifted('Allergens at the table', was.allergensAtTable.join(', '), now.allergensAtTable.join(', ')),
    ...textsDrifted('May contain', (was.allergensMaybe ?? []).join(', '), (now.allergensMaybe ?? []).join(', ')),
    ...textsDrifted('Makes', was.servingsText, now.servingsText),
    ...linesDrifted(was, now),
  ];
}

function figuresOf({ energy, weight, macros, used, till, topping }: CardContent): ReadonlyMap<string, CardFigure> {
  const own = [energy, weight, ...macros, used, till].flatMap((figure) => figure ?? []);
  const topped = topping?.figures.map((figure) => ({ ...figure, name: `${figure.name} with topping` })) ?? [];
  return new Map([...own, ...topped].map((figure) => [figure.name, figure]));
}

function figuresDrifted(was: ReadonlyMap<string, CardFigure>, now: ReadonlyMap<string, CardFigure>): CardDrift[] {
  return [...new Set([...was.keys(), ...now.keys()])].flatMap((name) => textsDrifted(name, textOf(was.get(name)), textOf(now.get(name))));
}

/** The kitchen's own figure, by whichever name; a card that was published before there could be one says nothing of it. */
function indexDrifted(was: CardContent['index'], now: CardContent['index']): CardDrift[] {
  if (was === undefined || (!was && !now)) return [];
  const said = (index: CardContent['index']) => (index ? `${index.name} ${index.text}` : '');
  return was && now && was.name === now.name
    ? textsDrifted(now.name, was.text, now.text)
    : textsDrifted((now ?? was)?.name ?? '', said(was), said(now));
}

function textOf(figure: CardFigure | undefined): string {
  return figure ? `${figure.text} ${figure.unit}`.trim() : '';
}

/** Ingredient lines, part by part, as they are printed. */
function linesDrifted(was: CardContent, now: CardContent): CardDrift[] {
  const printed = ({ sections }: CardContent) =>
    sections.flatMap(({ lines }) => lines.map(({ amount, food, note }) => [amount, food, note].filter(Boolean).join(' ')));
  const [before, after] = [printed(was), printed(now)];
  const gone = before.filter((line) => !after.includes(line));
  const come = after.filter((line) => !before.includes(line));
  return Array.from({ length: Math.max(gone.length, come.length) }, (_, i) => ({
    name: 'Ingredient',
    was: gone[i] ?? '',
    is: come[i] ?? '',
  }));
}

function textsDrifted(name: string, was: string, is: string): CardDrift[] {
  return was === is ? [] : [{ name, was, is }];
}
