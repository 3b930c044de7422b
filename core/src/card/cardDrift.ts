import type { CardContent } from './cardContent.js';
import type { CardFigure } from './cardFigure.js';
import { stepTextOf } from './cardSteps.js';

/** Something a reader sees on a published card that would be printed otherwise today. */
export interface CardDrift {
  readonly name: string;
  /** As published, with its unit; empty: it was not on the card. */
  readonly was: string;
  readonly is: string;
  /** Which figure it is, where it is one: "Energy with topping" is of energy. */
  readonly figure?: CardFigure['figure'];
}

/**
 * How a published card has drifted from today's labels, prices and recipe: everything a reader sees and relies on that would read
 * otherwise, figures, ingredients, method, keeping, allergens, cautions, what it costs. What rounds to the same text has not drifted.
 *
 * @param was the card as it was published
 * @param now the card of the recipe as everything stands
 */
export function cardDrift(was: CardContent, now: CardContent): readonly CardDrift[] {
  return [
    ...textsDrifted('Title', was.title, now.title),
    ...textsDrifted('Series', was.series, now.series),
    ...textsDrifted('Lead', was.lead, now.lead),
    ...figuresDrifted(figuresOf(was), figuresOf(was.chosen === undefined ? withFiguresOfBefore(now) : now)),
    ...indexDrifted(was.index, now.index),
    ...textsDrifted('Allergens in the box', was.allergensInBox.join(', '), now.allergensInBox.join(', ')),
    ...textsDrifted('Allergens at the table', was.allergensAtTable.join(', '), now.allergensAtTable.join(', ')),
    ...textsDrifted('May contain', (was.allergensMaybe ?? []).join(', '), (now.allergensMaybe ?? []).join(', ')),
    ...textsDrifted('Makes', was.servingsText, now.servingsText),
    ...linesDrifted(was, now),
    ...textsDrifted('Into each box', boxedText(was), boxedText(now)),
    ...textsDrifted('Work', minutesText(was.activeMinutes), minutesText(now.activeMinutes)),
    ...textsDrifted('In all', minutesText(was.totalMinutes), minutesText(now.totalMinutes)),
    ...listsDrifted('Equipment', was.equipment, now.equipment),
    ...listsDrifted('Boxes', was.boxes === undefined ? undefined : [was.boxes], [now.boxes ?? '']),
    ...listsDrifted('Claims', was.claims, now.claims),
    ...tablesDrifted(was.table, now.table),
    ...stepsDrifted(was, now),
    ...textsDrifted('Fridge', was.cautions.fridge, now.cautions.fridge),
    ...textsDrifted('Freezer', was.cautions.freezer, now.cautions.freezer),
    ...textsDrifted('Reheating', was.cautions.reheat, now.cautions.reheat),
    ...pairsDrifted('Caution', was.cautions.cooking, now.cautions.cooking),
  ];
}

/** A card with the figures that cards had before it could be chosen which: one of then says nothing of the others. */
function withFiguresOfBefore(card: CardContent): CardContent {
  const { energyKj: _kj, usedForAll: _all, ...rest } = card;
  return { ...rest, macros: card.macros.filter(({ figure }) => figure !== 'sugars') };
}

function figuresOf({ energy, energyKj, weight, macros, used, usedForAll, till, topping }: CardContent): ReadonlyMap<string, CardFigure> {
  const own = [
    energy,
    energyKj && { ...energyKj, name: 'Energy in kJ' },
    weight,
    ...macros,
    used,
    usedForAll && { ...usedForAll, name: 'Costs, all of them' },
    till,
  ].flatMap((figure) => figure ?? []);
  const topped = topping?.figures.map((figure) => ({ ...figure, name: `${figure.name} with topping` })) ?? [];
  return new Map([...own, ...topped].map((figure) => [figure.name, figure]));
}

function figuresDrifted(was: ReadonlyMap<string, CardFigure>, now: ReadonlyMap<string, CardFigure>): CardDrift[] {
  return [...new Set([...was.keys(), ...now.keys()])].flatMap((name) => {
    const [before, after] = [was.get(name), now.get(name)];
    const figure = (after ?? before)?.figure;
    return textsDrifted(name, textOf(before), textOf(after)).map((drift) => (figure ? { ...drift, figure } : drift));
  });
}

/** The kitchen's own figure, by whichever name; a card that was published before there could be one says nothing of it. */
function indexDrifted(was: CardContent['index'], now: CardContent['index']): CardDrift[] {
  if (was === undefined || (!was && !now)) return [];
  const said = (index: CardContent['index']) => (index ? `${index.name} ${index.text}` : '');
  return was && now && was.name === now.name
    ? textsDrifted(now.name, was.text, now.text).map((drift) => ({ ...drift, figure: now.figure }))
    : textsDrifted((now ?? was)?.name ?? '', said(was), said(now));
}

function textOf(figure: CardFigure | undefined): string {
  return figure ? `${figure.text} ${figure.unit}`.trim() : '';
}

/** A list that a card of before may not speak of: then it says nothing. */
function listsDrifted(name: string, was: readonly string[] | undefined, now: readonly string[] = []): CardDrift[] {
  return was === undefined ? [] : textsDrifted(name, was.join(', '), now.join(', '));
}

/** Figures that the boxed table alone has, and what each comes to per 100 g. */
function tablesDrifted(was: CardContent['table'], now: CardContent['table'] = []): CardDrift[] {
  return (was ?? []).flatMap(({ figure, name, per100g }) => {
    const is = now.find((row) => row.figure === figure);
    return textsDrifted(`${name} per 100 g`, per100g, is?.per100g ?? '').map((drift) => ({ ...drift, figure }));
  });
}

/** Ingredient lines, part by part, as they are printed. */
function linesDrifted(was: CardContent, now: CardContent): CardDrift[] {
  const printed = ({ sections }: CardContent) =>
    sections.flatMap(({ lines }) => lines.map(({ amount, food, note }) => [amount, food, note].filter(Boolean).join(' ')));
  return pairsDrifted('Ingredient', printed(was), printed(now));
}

/** Steps by their place while there are as many, so that one that was changed stands beside what it was. */
function stepsDrifted(was: CardContent, now: CardContent): CardDrift[] {
  const [before, after] = [was.steps.map(stepTextOf), now.steps.map(stepTextOf)];
  if (before.length !== after.length) return pairsDrifted('Step', before, after);
  return after.flatMap((text, i) => textsDrifted(`Step ${i + 1}`, before[i] ?? '', text));
}

/** What is gone beside what has come, whatever their order. */
function pairsDrifted(name: string, before: readonly string[], after: readonly string[]): CardDrift[] {
  const gone = before.filter((line) => !after.includes(line));
  const come = after.filter((line) => !before.includes(line));
  return Array.from({ length: Math.max(gone.length, come.length) }, (_, i) => ({ name, was: gone[i] ?? '', is: come[i] ?? '' }));
}

function boxedText({ intoEachBox }: CardContent): string {
  return intoEachBox.map(({ grams, part }) => `${grams} ${part}`).join(', ');
}

function minutesText(minutes: number | undefined): string {
  return minutes === undefined ? '' : `${minutes} min`;
}

function textsDrifted(name: string, was: string, is: string): CardDrift[] {
  return was === is ? [] : [{ name, was, is }];
}
