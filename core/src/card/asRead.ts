import type { CardContent } from './cardContent.js';
import type { CardFigure } from './cardFigure.js';
import type { CardRun } from './cardSteps.js';
import { numbersIn } from './numberStyle.js';

/**
 * A card as people read it: its own numbers as the language writes them that was chosen for it. What people have typed, title, lead,
 * notes and the words of steps, stays as they typed it; what programs read is made of the card as it is.
 */
export function asRead(card: CardContent): CardContent {
  const style = card.chosen?.numbers ?? 'en';
  const words = (text: string) => numbersIn(style, text);
  const figure = <Figure extends CardFigure | undefined | null>(one: Figure): Figure =>
    one && typeof one === 'object' ? { ...one, text: words(one.text) } : one;
  const run = (one: CardRun): CardRun =>
    one.amount === undefined ? one : { ...one, text: words(one.amount) + one.text.slice(one.amount.length) };
  const { energyKj, usedForAll, table, topping } = card;
  return {
    ...card,
    servingsText: words(card.servingsText),
    weight: figure(card.weight),
    energy: figure(card.energy),
    ...(energyKj ? { energyKj: figure(energyKj) } : {}),
    macros: card.macros.map(figure),
    ...(card.index === undefined ? {} : { index: figure(card.index) }),
    ...(table
      ? { table: table.map((row) => ({ ...row, perServing: words(row.perServing), per100g: words(row.per100g), daily: words(row.daily) })) }
      : {}),
    intoEachBox: card.intoEachBox.map(({ grams, figures, ...part }) => ({
      grams: words(grams),
      ...part,
      ...(figures ? { figures: figures.map(figure) } : {}),
    })),
    used: figure(card.used),
    ...(usedForAll ? { usedForAll: figure(usedForAll) } : {}),
    till: figure(card.till),
    topping: topping && { ...topping, figures: topping.figures.map(figure) },
    sections: card.sections.map((section) => ({
      ...section,
      lines: section.lines.map((line) => ({ ...line, amount: words(line.amount), second: words(line.second) })),
    })),
    steps: card.steps.map((step) => ({
      ...step,
      runs: step.runs.map(run),
      ...(step.or ? { or: step.or.map((way) => ({ ...way, runs: way.runs.map(run) })) } : {}),
    })),
  };
}
