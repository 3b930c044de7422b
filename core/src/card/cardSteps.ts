import { piecesOf, placesByReference, stepOf, type Kitchen, type LineFigures, type Mention, type RecipeFigures } from '../recipe/index.js';
import { lineWords, speaksOfOven, stepSpans, temperatureText } from '../text/index.js';

/** A stretch of a step's text, as a card prints it. */
export interface CardRun {
  readonly text: string;
  /** An ingredient with its amount. */
  readonly strong?: true;
  /** The amount it begins with; cards of before do not say. */
  readonly amount?: string;
}

/** A step as the card prints it. */
export interface CardStep {
  /** Name of the part that it and the steps behind it make; empty where the one before it says so already. */
  readonly part: string;
  readonly runs: readonly CardRun[];
  /** Other ways to do the same; cards of before have none. */
  readonly or?: readonly { readonly name: string; readonly runs: readonly CardRun[] }[];
}

/**
 * The method as a card prints it: ingredients mentioned with their amounts as they stand in the recipe, temperatures in both
 * systems and as a gas mark.
 *
 * @param figures of the recipe as the card prints it: amounts snapped to what people can measure
 */
export function cardSteps(figures: RecipeFigures, kitchen: Kitchen): CardStep[] {
  const { recipe } = figures;
  const byPlace = new Map(figures.lines.map((line) => [line.at, line]));
  const lines = new Map([...placesByReference(recipe)].flatMap(([reference, at]) => [[reference, byPlace.get(at)] as const]));
  const names = new Map(recipe.parts.map(({ id, name }) => [id, name]));
  const steps = (recipe.steps ?? []).map(stepOf).filter(({ text }) => text.trim() !== '');
  const fahrenheitFirst = (recipe.measures ?? kitchen.settings.measures) === 'us';
  return steps.map(({ text, part, or = [] }, i) => ({
    part: part === undefined || part === steps[i - 1]?.part ? '' : (names.get(part) ?? ''),
    runs: runsOf(text, lines, fahrenheitFirst),
    ...(or.length > 0 ? { or: or.map((way) => ({ name: way.name, runs: runsOf(way.text, lines, fahrenheitFirst) })) } : {}),
  }));
}

/** A card's step as plain text, other ways behind it: "Or, slow cooker: …". */
export function stepTextOf({ runs, or = [] }: CardStep): string {
  const text = (of: readonly CardRun[]) => of.map((run) => run.text).join('');
  return [text(runs), ...or.map((way) => `${wayLead(way.name)} ${text(way.runs)}`)].join(' ');
}

/** What stands before another way to do a step. */
export function wayLead(name: string): string {
  return `Or, ${name}:`;
}

function runsOf(text: string, lines: ReadonlyMap<string, LineFigures | undefined>, fahrenheitFirst: boolean): CardRun[] {
  const oven = speaksOfOven(text);
  return piecesOf(text).map((piece, i, all) => {
    if (typeof piece === 'string') return { text: withSystems(piece, fahrenheitFirst, oven) };
    const before = all[i - 1];
    return mentioned(lines.get(piece.at), piece, i === 0 || (typeof before === 'string' && endsSentence(before)));
  });
}

/** Whether what follows a text begins a sentence. */
export function endsSentence(text: string): boolean {
  return /(?:^|[.!?])\s*$/.test(text);
}

/** Words with each temperature in both systems. */
function withSystems(words: string, fahrenheitFirst: boolean, oven: boolean): string {
  const temperatures = stepSpans(words).filter((span) => span.kind === 'temperature');
  return temperatures.reduceRight(
    (sofar, { from, to, temperature }) => `${sofar.slice(0, from)}${temperatureText(temperature, fahrenheitFirst, oven)}${sofar.slice(to)}`,
    words,
  );
}

function mentioned(line: LineFigures | undefined, { bare, words }: Mention, first: boolean): CardRun {
  if (!line) return { text: words };
  const { text, withAmount } = mentionReads(line, bare, first);
  return withAmount ? { text, strong: true, amount: mentionWords(line).amount } : { text };
}

/**
 * How a mention of a line reads: its amount and name; its name alone if asked, or where it is to taste.
 *
 * @param bare by its name alone
 * @param first where a sentence begins
 */
export function mentionReads(line: LineFigures, bare: boolean, first: boolean): { readonly text: string; readonly withAmount: boolean } {
  const { amount, food } = mentionWords(line);
  const withAmount = !bare && amount !== '';
  const text = withAmount ? `${amount} ${food}` : food;
  return { text: first ? `${text.charAt(0).toUpperCase()}${text.slice(1)}` : text, withAmount };
}

/** Amount and name of a line as a step says them; what is to taste has no amount. */
export function mentionWords({ line, of }: LineFigures): { readonly amount: string; readonly food: string } {
  const { amount, food } = lineWords(line, of.kind === 'food' ? of.resolved.food : undefined);
  return { amount: amount === 'to taste' ? '' : amount, food };
}
