import {
  bandWithRivals,
  boxRangeBounds,
  cardText,
  dayText,
  asTrimmed,
  edibleShare,
  nutrientName,
  offerText,
  ruleSet,
  shareOfDailyValue,
  yieldOf,
  type Gap,
  rivalReaches,
  type FoodIndex,
  type Kitchen,
  type PartFigures,
  type RecipeFigures,
  type WorkedFigure,
  type Working,
  type WorkingLine,
} from '@portiona/core';
import { docketText, leastText, numberText, percentText, priceText } from '../ui/numberText';

/** From as written to eaten, in words: "2 × 125 g, less 10 % peel". */
export function pathText({ figures: { line, weights, of } }: WorkingLine, figure: WorkedFigure): string {
  if (!weights || of.kind !== 'food') return '';
  const { food } = of.resolved;
  const steps: string[] = [];
  const written = line.text ?? '';
  if (weights.unit && weights.unit.from !== 'mass')
    steps.push(
      `${written === '' ? '' : `${written.split(',')[0]}: `}${numberText(weights.grams, weights.grams < 20 ? 1 : 0)} g${weights.unit.from === 'kitchen word' ? ' by eye' : ''}`,
    );
  if (line.amount === undefined) steps.push(`${numberText(weights.grams, 1)} g assumed`);
  if (figure === 'usedCost') {
    if (weights.purchase > weights.grams * 1.001)
      steps.push(`buy ${numberText(weights.purchase, 0)} g for ${numberText(weights.edible, 0)} g`);
    return steps.join(', ');
  }
  const lost = 1 - edibleShare(asTrimmed(line, food));
  if (weights.edible < weights.grams * 0.999 && lost > 0)
    steps.push(
      `less ${percentText(lost)} ${line.loss !== undefined ? 'lost, as the line says' : food.drained === undefined ? 'not eaten' : 'liquid'}`,
    );
  if (line.state === 'cooked' && food.state !== 'cooked')
    steps.push(`÷ ${yieldOf(food, line.cooking)} ${line.cooking ?? 'cooked'} to ${food.state ?? 'raw'}`);
  if (line.retained !== undefined && line.retained < 1) steps.push(`${percentText(line.retained)} kept`);
  return steps.join(', ');
}

export function weightText({ times, figures: { weights } }: WorkingLine, figure: WorkedFigure): string {
  if (!weights) return '';
  const grams = times * (figure === 'usedCost' ? weights.purchase : weights.eaten);
  return `${numberText(grams, grams < 20 ? 1 : 0)} g`;
}

export function rateText({ per100g }: WorkingLine, figure: WorkedFigure, kitchen: Kitchen): string {
  if (per100g === undefined) return '';
  return figure === 'usedCost' ? priceText(per100g * 10, kitchen.settings.currency) : numberText(per100g, per100g < 10 ? 2 : 1);
}

export function sourceText({ source, gap, figures: { of } }: WorkingLine, figure: WorkedFigure): string {
  if (gap) return GAPS[gap];
  if (figure === 'usedCost') {
    const pack = of.kind === 'food' ? of.resolved.best?.pack : undefined;
    return pack
      ? [pack.shop, dayText(pack.seen, false), offerText(pack, shortDay)].filter(Boolean).join(', ')
      : of.kind === 'part'
        ? 'its recipe'
        : '';
  }
  return figure === 'weight' ? '' : (source ?? 'its recipe');
}

const shortDay = (day: string) => dayText(day, false);

export const GAPS: Readonly<Record<Gap, string>> = {
  'no food': 'no food chosen',
  'no weight': 'no weight',
  'not on the label': 'not known',
  'no price': 'no price',
  'base incomplete': 'base lacks it',
};

export function introOf({ parts }: Working): string {
  if (parts.length !== 1) return `${parts.length} parts in the box.`;
  const [only] = parts;
  return only ? `${only.part.part.name}: ${shareText(only.part)}.` : '';
}

/** How a part is shared out, in words. */
export function shareText({ part, share, cooked, estimated, outdated, learned }: PartFigures): string {
  const whole = `${numberText(cooked, 0)} g (${outdated ? 'weighed for other amounts' : estimated ? (learned ? `estimated by ${learned.batches} batches` : 'estimated') : 'weighed'})`;
  const { portion } = part;
  const over = share.surplus > 0.5 ? `, ${numberText(share.surplus, 0)} g over` : '';
  if (portion?.by === 'grams') return `${numberText(portion.grams, 0)} g a box${portion.eye ? ', by eye,' : ''} of ${whole}${over}`;
  if (portion?.by === 'pieces') return `${numberText(portion.each, 0)} of ${numberText(portion.made, 0)} pieces, ${whole}${over}`;
  if (portion?.by === 'volume') return `${numberText(portion.each, 0)} of ${numberText(portion.made, 0)} ml, ${whole}${over}`;
  return `equal shares of ${whole}`;
}

export function bandText(figure: WorkedFigure, figures: RecipeFigures, kitchen: Kitchen, index: FoodIndex): string {
  if (figure === 'usedCost' || figure === 'weight' || figure === 'tillCost') return '';
  const band = bandWithRivals(figure, figures, index, kitchen.convention);
  if (!band) return '';
  const reaches = rivalReaches(figure, figures, index, kitchen.convention);
  const [heaviest] = [...reaches].sort((a, b) => Math.abs(b.moves) - Math.abs(a.moves));
  const line = figures.lines.find(({ at }) => at === heaviest?.at)?.line;
  const because =
    heaviest === undefined
      ? ''
      : `, widened by ${reaches.length === 1 ? 'a line that is' : `${reaches.length} lines that are`} unsure: “${line?.text ?? heaviest.at}” as ${heaviest.rival.name} would make it ${docketText(Math.abs(heaviest.moves))} ${heaviest.moves < 0 ? 'less' : 'more'}`;
  return `Band ${docketText(band[0])} to ${docketText(band[1])}${because}.`;
}

/** What readers get who take least and most of what the recipe leaves open. */
export function endsText(figure: WorkedFigure, figures: RecipeFigures, kitchen: Kitchen): string {
  if (figure === 'usedCost' || figure === 'weight' || figure === 'tillCost') return '';
  const ends = boxRangeBounds(figure, figures, kitchen.convention)?.map(docketText);
  if (!ends || ends[0] === ends[1]) return '';
  return `Ranges from least to most, “to taste” from none to twice what is assumed: ${ends.join(' to ')}.`;
}

/** Share of the day's reference, where the rule set has one. */
export function dailyText({ figure, serving }: Working, kitchen: Kitchen): string {
  if (serving.amount === undefined || figure === 'usedCost' || figure === 'weight' || figure === 'tillCost') return '';
  const { rules } = kitchen.settings;
  const share = shareOfDailyValue(rules, figure, serving.amount);
  if (share === undefined) return '';
  return `, ${leastText(serving)}${percentText(share)} of the ${ruleSet(rules).daily}`;
}

export function printedText({ figure, serving }: Working, kitchen: Kitchen): string | undefined {
  if (serving.amount === undefined || figure === 'weight') return undefined;
  if (figure === 'usedCost' || figure === 'tillCost') return `${leastText(serving)}${priceText(serving.amount, kitchen.settings.currency)}`;
  return cardText(kitchen.settings.rules, figure, serving.amount, serving.gaps.length > 0);
}

export function roundingOf(kitchen: Kitchen): string {
  return ruleSet(kitchen.settings.rules).rounding;
}

export function nameOf(figure: WorkedFigure): string {
  if (figure === 'usedCost') return 'Cost, used';
  if (figure === 'tillCost') return 'Cost at the till';
  if (figure === 'salt') return 'Salt';
  return figure === 'weight' ? 'Weight' : nutrientName(figure);
}
