import { midpointOf } from '../../quantity/index.js';
import { asTrimmed, lineWeights, writtenUnit, type Kitchen, type LineFigures, type Recipe } from '../../recipe/index.js';
import { parseLineText, SAID_NUMBER } from '../../text/index.js';
import type { FoodRun } from '../reading/spokenFoods.js';
import { clauseAt, sentenceAt, type StepReading } from '../reading/stepReading.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';
import { isOfABox } from './portionText.js';

/** So far an amount in a step may lie from the list's: share of the list's. */
const ALLOWED = 0.1;
/** What says that the rest comes at another time, or that an amount is a share. */
const SOME_OF_IT =
  /\b(?:rest|remaining|remainder|other half|half|third|quarter|some|most|fraction|reserved?|more|extra|another|splash|a little)\b/i;

interface Stated {
  readonly step: StepReading;
  readonly lines: readonly LineFigures[];
  /** As a line would read it: amount and unit ("piece" for a bare count). */
  readonly amount: number;
  readonly unit: string | undefined;
  /** "1 tbsp of the oil": some of what is listed. */
  readonly ofThe: boolean;
  readonly words: string;
}

/** A step that states an amount of a listed food as plain text, and the list has another. */
export function stepAmount(ground: CheckGround): Finding[] {
  const stated = ground.mainSteps.flatMap((step) => statedIn(step, ground));
  const byFood = new Map<string, Stated[]>();
  for (const one of stated) {
    const key = one.lines.map(({ at }) => at).join(' ');
    byFood.set(key, [...(byFood.get(key) ?? []), one]);
  }
  return [...byFood.values()].flatMap((all) => judged(all, ground));
}

function judged(all: readonly Stated[], ground: CheckGround): Finding[] {
  const { recipe, kitchen } = ground;
  const [first] = all;
  if (!first) return [];
  const { lines } = first;
  const grams = all.map((one) => gramsOf(one, recipe, kitchen));
  const known = grams.filter((one) => one !== undefined);
  if (known.length < all.length) return [];
  const listed = lines.map((line) => ownGrams(line)).filter((one) => one !== undefined);
  if (listed.length < lines.length || listed.length === 0) return [];
  const whole = listed.reduce((sum, one) => sum + one, 0);
  const fits = (amount: number) => [...listed, whole].some((one) => Math.abs(amount - one) <= ALLOWED * one * (1 + 1e-9));
  const sum = known.reduce((total, one) => total + one, 0);
  // Said again and again, each time the whole of it; or share by share, together the whole.
  if (fits(sum) || known.some(fits)) return known.every((one) => fits(one) || one < whole) ? [] : over();
  const most = Math.max(...listed);
  const less = sum < most;
  // Some of it is stated, and the rest is spoken of elsewhere.
  if (less && (all.some(({ ofThe }) => ofThe) || restIsSaid())) return [];
  return found(all.at(-1) ?? first);

  function over(): Finding[] {
    const at = all.findLast((_, i) => (known[i] ?? 0) > whole * (1 + ALLOWED));
    return at ? found(at) : [];
  }

  function found({ step, words }: Stated): Finding[] {
    const [line] = lines;
    const name = line?.of.kind === 'food' ? line.of.resolved.food.name : 'it';
    return [
      {
        code: 'step-amount',
        at: step.at,
        severity: 'wrong',
        message: `“${words}” stands in this step, and the list has ${listText(lines)} of ${name}. Set the step to the list, so that it follows when the list changes.`,
        ...mendOf(step, words, lines),
      },
    ];
  }

  /** Another place speaks of it without an amount, as of something that is left: "the remaining rice", or oil once more. */
  function restIsSaid(): boolean {
    const words = new Set(lines.flatMap(({ of }) => (of.kind === 'food' ? [of.resolved.food.id] : [])));
    return ground.mainSteps.some((step) =>
      ground.spoken.runsIn(step.text).some((run) => {
        if (!ground.spoken.meantBy(run).some(({ food }) => words.has(food.id))) return false;
        const before = step.text.slice(Math.max(0, run.from - 40), run.from);
        const clause = before.slice(Math.max(before.lastIndexOf('. '), before.lastIndexOf(','), before.lastIndexOf(';')) + 1);
        if (SOME_OF_IT.test(clause)) return true;
        const poured = lines.every(
          ({ of }) =>
            of.kind === 'food' &&
            (of.resolved.food.aisle === 'oils-fats' || /\b(?:salt|pepper|stock|water)\b/i.test(of.resolved.food.name)),
        );
        return (
          poured &&
          !all.some(
            ({ step: said, words: amount }) =>
              said === step &&
              step.text.includes(amount) &&
              step.text.indexOf(amount) + amount.length >= run.from &&
              step.text.indexOf(amount) <= run.from,
          )
        );
      }),
    );
  }
}

function mendOf(step: StepReading, words: string, lines: readonly LineFigures[]): Pick<Finding, 'mend'> {
  const [line, ...more] = lines;
  if (!line || more.length > 0 || !step.step.text.includes(words)) return {};
  const called = parseLineText(words).foodWords.replace(/^(?:of )?(?:the )?/i, '');
  return {
    mend: {
      kind: 'text',
      at: step.at,
      words: 'Set it to the list',
      text: step.step.text.replace(words, `{${line.at} ${called}}`),
    },
  };
}

function listText(lines: readonly LineFigures[]): string {
  return lines
    .map(({ line }) =>
      line.amount === undefined ? 'to taste' : `${midpointOf(line.amount)} ${line.unit === 'piece' ? '' : (line.unit ?? '')}`.trim(),
    )
    .join(' and ');
}

/** Grams of a line as it is written: before trimming where it is said so. */
function ownGrams({ weights, line }: LineFigures): number | undefined {
  return line.amount === undefined ? undefined : weights?.grams;
}

function gramsOf({ lines, amount, unit }: Stated, recipe: Recipe, kitchen: Kitchen): number | undefined {
  const [figures] = lines;
  if (figures?.of.kind !== 'food') return undefined;
  const { line, of } = figures;
  const own = line.unit ?? 'g';
  const said = unit ?? 'piece';
  const isCount = (one: string) => /piece/.test(one) || of.resolved.food.measures?.[one] !== undefined;
  // A count is held against a count, and never against what one of them is taken to weigh.
  if (unit === undefined && !isCount(own)) return undefined;
  if (isCount(own) && isCount(said) && line.amount !== undefined && figures.weights) {
    const batch = recipe.amountsPer === 'serving' ? recipe.servings : 1;
    if (said === own || unit === undefined) return (figures.weights.grams * amount) / (midpointOf(line.amount) * batch);
  }
  const food = asTrimmed(line, of.resolved.food);
  const system = recipe.measures ?? kitchen.settings.measures;
  const packs = kitchen.packsOf(food.id);
  const weights = lineWeights(
    { food: food.id, amount, unit: said, as: line.as ?? writtenUnit(said, food, system, packs).as },
    food,
    system,
    packs,
  );
  if (!weights) return undefined;
  // Brought to the same footing where one is counted before trimming and the other after.
  const [ownAs, saidAs] = [line.as ?? figures.weights?.unit?.as, weights.unit?.as];
  return ownAs === saidAs || !figures.weights || figures.weights.edible === 0
    ? weights.grams
    : (weights.edible * figures.weights.grams) / figures.weights.edible;
}

/** In its clause a box is spoken of, or somewhere in its sentence each of them. */
function goesIntoABox(text: string, at: number, servingName: string): boolean {
  const [sentence, clause] = [sentenceAt(text, at), clauseAt(text, at)];
  return (
    /\b(?:each|every|per|apiece)\b/i.test(text.slice(sentence.from, sentence.to)) ||
    isOfABox(text.slice(clause.from, clause.to), servingName)
  );
}

const AMOUNT = new RegExp(String.raw`(?<![\p{L}\d.,/°{])(?<number>${SAID_NUMBER})(?:\s?(?:-|–|to)\s?(?:${SAID_NUMBER}))?`, 'giu');
/** Words that may stand between a number and its food: a unit, "of the". */
const BETWEEN =
  /^\s?(?:(?:x\s)?(?:g|kg|mg|ml|l|litres?|liters?|grams?|kilos?|oz|ounces?|lbs?|pounds?|tsps?|tbsps?|teaspoons?|tablespoons?|cups?|pints?|cloves?|cans?|tins?|sprigs?|sticks?|bunch(?:es)?|handfuls?|pinch(?:es)?|slices?|leaves|jars?|packs?|packets?|large|small|medium|fl oz)\b\.?\s?)*(?:of\s)?(?:the\s|your\s)?$/i;

/** "(200 g)" behind a food: its unit, and where the bracket ends. */
const UNIT_AND_BRACKET = /^\s?(?<unit>g|kg|ml|l|oz|lb|tsp|tbsp|cups?)?\)/i;

/** What an amount in a text is of: the food behind it, or before the bracket that it stands in. `line` is it as a list would say it. */
function amountSaidOf(text: string, at: number, number: string, runs: readonly FoodRun[]) {
  const end = at + number.length;
  const bracket = UNIT_AND_BRACKET.exec(text.slice(end));
  const before = bracket && runs.find(({ to }) => text.slice(to, at) === ' (');
  if (bracket && before) {
    const words = text.slice(before.from, end + bracket[0].length);
    return { of: before, between: '', words, line: `${number} ${bracket.groups?.unit ?? ''} ${text.slice(before.from, before.to)}` };
  }
  // "2 cups of sauce": a pantry with cup noodles knows the cup as a word of foods too, and "4 cloves" are only cloves.
  const more = runs.filter(({ from, to }) => !BETWEEN.test(` ${text.slice(from, to)} `));
  const of =
    more.find(({ from }) => from >= end && BETWEEN.test(text.slice(end, from))) ??
    runs.find(({ from }) => from >= end - 1 && BETWEEN.test(text.slice(end, Math.max(end, from)))) ??
    runs.find(({ from, to }) => from >= end && to > end && BETWEEN.test(text.slice(end, from)));
  if (!of) return undefined;
  const words = text.slice(at, of.to);
  return { of, between: text.slice(end, of.from), words, line: words };
}

function statedIn(step: StepReading, { spoken, figures, recipe }: CheckGround): Stated[] {
  const { text } = step;
  const runs = spoken.runsIn(text);
  const lineAt = new Map(figures.lines.map((line) => [line.at, line]));
  return [...text.matchAll(AMOUNT)].flatMap((found): Stated[] => {
    if (step.times.some(({ from, to }) => from <= found.index && found.index < to)) return [];
    if (step.heats.some(({ from, to }) => from <= found.index && found.index < to)) return [];
    const said = amountSaidOf(text, found.index, found[0], runs);
    if (!said || /\b(?:each|every|per|size|about the|another)\s$/i.test(text.slice(0, found.index))) return [];
    const { of, between, words } = said;
    const parsed = parseLineText(said.line.replace(/\bof the\b|\bthe\b|\bof\b/g, ' ').replace(/\s+/g, ' '));
    if (parsed.amount === undefined) return [];
    const ofThe = /\bof (?:the|your|it|them)\b/.test(between);
    // "2 of the onions", and water that nobody lists, say nothing.
    if (ofThe && parsed.unit === undefined) return [];
    const meant = spoken.meantBy(of);
    // "2 lemon wedges" is not two lemons; "4 garlic cloves" counts what the list counts.
    const { piece } = of;
    if (
      piece === 'piece' ||
      (piece !== undefined && parsed.unit === undefined && !meant.some(({ food }) => food.measures?.[piece] !== undefined))
    )
      return [];
    const lines = meant.flatMap(({ lines: at }) => at).flatMap((at) => lineAt.get(at) ?? []);
    if (lines.length === 0 || meant.some(({ food }) => /^water\b/i.test(food.name) && lines.length > 1)) return [];
    const unit = parsed.unit ?? parsed.countWord;
    // What goes into one box is held against the portion.
    if (goesIntoABox(text, found.index, recipe.servingName ?? 'serving')) return [];
    return [{ step, lines, amount: midpointOf(parsed.amount), unit, ofThe, words }];
  });
}
