import { briefJudgements, type Judgement } from '../../brief/index.js';
import { nutrientRow } from '../../food/index.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

/** What the brief asks for and the dish misses by its figure; a wish is none. The box's volume has a finding of its own. */
export function briefMissed({ figures, kitchen, recipe }: CheckGround): Finding[] {
  if (!recipe.brief) return [];
  const missed = briefJudgements(figures, recipe.brief, kitchen).filter((one) => one.verdict === 'missed' && !isWish(one));
  const others = missed.filter((one) => one.kind === 'target' || one.of !== 'box volume');
  return [
    ...(others.length === 0
      ? []
      : [
          {
            code: 'brief-missed' as const,
            at: 'serving',
            severity: 'look' as const,
            message: `The brief asks for ${others.map(textOf).join('; ')}. Change the dish, or what is asked of it.`,
          },
        ]),
    ...missed.flatMap((one) =>
      one.kind === 'bound' && one.of === 'box volume'
        ? [
            {
              code: 'box-overfull' as const,
              at: 'serving',
              severity: 'look' as const,
              message: `A ${recipe.servingName ?? 'serving'} weighs ${Math.round(figures.perServing.weight)} g, and the box of the brief holds ${one.asked.replace(' at most', '')}: at a gram a millilitre the lid does not close.`,
            },
          ]
        : [],
    ),
  ];
}

function isWish(one: Judgement): boolean {
  return one.kind === 'target' && one.target.wish === true;
}

function textOf(one: Judgement): string {
  if (one.kind === 'bound') return `${one.of} ${one.asked} (it is ${one.is})`;
  const { figure, is, amount } = one.target;
  const name = figure === 'weight' ? 'weight' : figure === 'usedCost' ? 'cost' : nutrientRow(figure).name.toLowerCase();
  return `${name} ${is} ${amount} (it is ${one.amount?.toFixed(figure === 'usedCost' ? 2 : 0) ?? 'unknown'})`;
}
