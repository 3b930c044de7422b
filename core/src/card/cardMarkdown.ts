import { asRead } from './asRead.js';
import type { CardContent } from './cardContent.js';
import { spokenText, type CardFigure } from './cardFigure.js';
import type { CardLine } from './cardLine.js';
import type { CardStep } from './cardSteps.js';
import { wayLead } from './cardSteps.js';
import { correctionText } from './correction.js';
import { cardFacts, cardPriceText, cardSmallPrint } from './cardSentences.js';

/**
 * A card as Markdown, saying what every other output says. Text of people is text: nothing in it becomes markup, a link or HTML.
 */
export function cardMarkdown(made: CardContent): string {
  const card = asRead(made);
  const { title, series, energy, macros, index, energyKj, used, usedForAll, till, topping, sections, steps, intoEachBox } = card;
  const figures = [energy, energyKj, ...macros].filter((one) => one !== undefined);
  const blocks = [
    `# ${escaped(title)}`,
    ...(series === '' ? [] : [`_${escaped(series)}_`]),
    escaped(card.lead),
    [
      facts(card),
      ...(intoEachBox.length > 1
        ? [`Into each ${escaped(card.servingName)}: ${intoEachBox.map(({ grams, part }) => `${grams} g ${escaped(part)}`).join(', ')}`]
        : []),
    ].join('  \n'),
    table(
      ['', `per ${escaped(card.servingName)}`],
      [
        ...[...figures, ...(index ? [index] : [])].map((figure) => [escaped(figure.name), figureText(figure)] as const),
        ...(used ? [['Cost, used', escaped(spokenText(used))] as const] : []),
        ...(usedForAll ? [[`Cost of all ${card.servings}, used`, escaped(spokenText(usedForAll))] as const] : []),
        ...(till ? [['At the till, whole packs', escaped(spokenText(till))] as const] : []),
      ],
    ),
    ...(cardPriceText(card) === '' ? [] : [escaped(cardPriceText(card))]),
    ...((card.claims ?? []).length > 0 ? [escaped(`${card.claims?.join(', ')}.`)] : []),
    ...(card.table ? [boxedTable(card)] : []),
    ...(topping ? [`With ${escaped(topping.name)}: ${topping.figures.map(figureText).join(', ')}`] : []),
    '## Ingredients',
    ...sections.flatMap(({ name, served, lines }) => [
      ...(sections.length > 1
        ? [`### ${escaped(name)}${served === 'table' ? ', at the table' : served === 'optional' ? ', optional' : ''}`]
        : []),
      lines.map((line) => `- ${lineText(line)}`).join('\n'),
    ]),
    ...(steps.length > 0 ? ['## Method', steps.map(stepText).join('\n')] : []),
    '## Keeping',
    (
      [
        ['Fridge', card.cautions.fridge],
        ['Freezer', card.cautions.freezer],
        ['Reheat', card.cautions.reheat],
      ] as const
    )
      .map(([name, words]) => `- ${name}: ${escaped(words)}`)
      .join('\n'),
    ...(card.correction ? [escaped(correctionText(card.correction))] : []),
    escaped(cardSmallPrint(card)),
    escaped([card.publication, card.address].filter(Boolean).join(', ')),
  ];
  return `${blocks.filter((block) => block !== '').join('\n\n')}\n`;
}

/** A step with its number; the part it makes stands before it. */
function stepText({ part, runs, or = [] }: CardStep, index: number): string {
  const said = (of: CardStep['runs']) => of.map(({ text, strong }) => (strong ? `**${inline(text).trim()}**` : inline(text))).join('');
  const words = [said(runs), ...or.map((way) => `_${escaped(wayLead(way.name))}_ ${said(way.runs).trim()}`)].join(' ');
  return `${index + 1}. ${part === '' ? safeStart(words.trim()) : `_${escaped(part)}:_ ${words.trim()}`}`;
}

function figureText({ text, unit }: CardFigure): string {
  return `${escaped(text)} ${unit}`.trim();
}

/** Servings, minutes and what it is cooked in. */
function facts(card: CardContent): string {
  return cardFacts(card)
    .map(({ said, of }, i) => `${i === 0 ? `**${escaped(said)}**` : escaped(said)}${of === '' ? '' : ` ${escaped(of)}`}`)
    .join(', ');
}

/** What the rule set names, per serving and per 100 g. */
function boxedTable({ table: rows = [], servingName }: CardContent): string {
  const words = (name: string, within: boolean) => (within ? `of which ${name.toLowerCase()}` : name);
  return [
    `| | per ${escaped(servingName)} | per 100 g | of a day |`,
    '| --- | ---: | ---: | ---: |',
    ...rows.map(
      ({ name, within, perServing, per100g, daily }) =>
        `| ${escaped(words(name, within))} | ${escaped(perServing)} | ${escaped(per100g)} | ${daily} |`,
    ),
  ].join('\n');
}

function lineText({ amount, food, note, second, optional }: CardLine): string {
  const words = amount === 'to taste' ? `${food}, to taste` : `${amount} ${food}`.trim();
  const said = [words, note, optional ? 'optional' : ''].filter(Boolean).join(', ');
  return `${escaped(said)}${second === '' ? '' : ` (${escaped(second)})`}`;
}

function table(headings: readonly [string, string], rows: readonly (readonly [string, string])[]): string {
  return [`| ${headings[0]} | ${headings[1]} |`, '| --- | ---: |', ...rows.map(([name, text]) => `| ${name} | ${text} |`)].join('\n');
}

/** Letters that Markdown or HTML would take for something else are set off; lines become one. */
function escaped(text: string): string {
  return safeStart(inline(text).trim());
}

/** Words that do not begin a list. */
function safeStart(words: string): string {
  return words.replace(/^([-+]|\d+[.)])(?=\s)/, '\\$1');
}

/** The same for words in the midst of others. */
function inline(text: string): string {
  return text
    .replace(/\s+/g, ' ')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/[\\`*_{}[\]#|!~]/g, '\\$&');
}
