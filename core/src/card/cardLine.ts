import { allergenWord, preciseAllergens, type Food } from '../food/index.js';
import { plainText } from '../quantity/index.js';
import { servedOf, type Kitchen, type LineFigures, type PartFigures, type RecipeFigures, type Served } from '../recipe/index.js';
import { lineWords } from '../text/index.js';
import { secondMeasure } from './secondMeasure.js';

/** An ingredient as the card prints it. */
export interface CardLine {
  readonly at: string;
  readonly amount: string;
  readonly food: string;
  readonly note: string;
  /** The amount a second way, and what to buy where that differs much. */
  readonly second: string;
  readonly allergens: readonly string[];
  readonly optional: boolean;
}

/** A part's ingredients as the card prints them. */
export interface CardSection {
  readonly name: string;
  readonly served: Served;
  readonly lines: readonly CardLine[];
}

/** Each part with its lines, as a card prints them. */
export function cardSections(figures: RecipeFigures, kitchen: Kitchen): readonly CardSection[] {
  return figures.parts.map((part) => ({
    name: part.part.name,
    served: servedOf(part.part),
    lines: part.lines.map((line) => cardLine(line, figures, kitchen)),
  }));
}

function cardLine(figures: LineFigures, { recipe }: RecipeFigures, kitchen: Kitchen): CardLine {
  const { at, line, of, weights } = figures;
  const food = of.kind === 'food' ? of.resolved.food : undefined;
  const words = lineWords(line, food);
  const system = recipe.measures ?? kitchen.settings.measures;
  const named = of.kind === 'part' && line.text === undefined ? `${of.part.part.name.toLowerCase()} (${of.recipe.title})` : words.food;
  const second = [secondMeasure(line, weights, system), buyText(figures)].filter(Boolean).join('; ');
  return {
    at,
    amount: words.amount,
    food: named,
    note: words.note,
    second,
    allergens: preciseAllergens(foodsOfLine(figures).flatMap(({ allergens }) => allergens ?? [])).map(allergenWord),
    optional: line.optional === true,
  };
}

/** What to buy, where peel, bone or liquid make it at least a tenth more than what is written as ready to eat. */
function buyText({ weights, line, of }: LineFigures): string {
  if (!weights || of.kind !== 'food' || line.as === 'AP' || weights.purchase < 1.1 * weights.grams) return '';
  return `buy ${boughtText(weights.purchase)}`;
}

/** Grams to buy, rounded up: with less than that in the bag a line cannot be weighed out. */
function boughtText(grams: number): string {
  const step = grams < 20 ? 1 : grams < 100 ? 5 : 10;
  const enough = Math.ceil(grams / step - 1e-9) * step;
  return enough >= 1000 ? `${plainText(enough / 1000, 2)} kg` : `${plainText(enough, 0)} g`;
}

/** Every food of a part, those of the parts it takes among them. */
export function foodsInPart({ lines }: PartFigures): Food[] {
  return lines.flatMap(foodsOfLine);
}

function foodsOfLine({ of }: LineFigures): Food[] {
  if (of.kind === 'food') return [of.resolved.food];
  return of.kind === 'part' ? foodsInPart(of.part) : [];
}
