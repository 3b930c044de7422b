import { ruleSet } from '../food/index.js';
import type { CardContent, CardTableRow } from '../card/index.js';
import type { Looks } from './looks.js';
import type { Block, Mark } from './mark.js';
import { brokenText, marksOfLine, type Run } from './paragraph.js';
import { rectangle, ruled } from './shapes.js';
import { textItem, type Item, type Setting } from './stack.js';

const UNKNOWN = 'not known';

/** The table that a rule set asks for, boxed: per serving, per 100 g, and the share of a day's reference amount. What nobody knows is named below it. */
export function tableItem(card: CardContent, width: number, looks: Looks, setting: Setting): Item {
  const { run, u } = looks;
  const rows = (card.table ?? []).filter(({ perServing }) => perServing !== UNKNOWN);
  const unknown = (card.table ?? [])
    .filter(({ perServing }) => perServing === UNKNOWN)
    .map(({ name, within }) => (within ? name.toLowerCase() : name));
  const { daily } = ruleSet(card.rules);
  const pad = 9 * u;
  const line = 17.5 * u;
  const columns = daily === undefined ? [0.44, 0.28, 0.28] : [0.4, 0.22, 0.22, 0.16];
  const inner = width - 2 * pad;
  const heads = ['', `per ${card.servingName}`, 'per 100 g', ...(daily === undefined ? [] : ['of a day'])];
  const notes = textItem(
    [
      run(
        [
          daily === undefined ? '' : `Of a day: share of the ${daily} of an average adult.`,
          unknown.length === 0 ? '' : `Not known: ${unknown.join(', ')}.`,
        ]
          .filter(Boolean)
          .join(' '),
        'sans',
        13,
        'ink2',
      ),
    ],
    { width: inner, leading: 17 * u },
    setting,
  );
  const cells = (row: CardTableRow): readonly Run[] => [
    run(row.within ? `of which ${row.name.toLowerCase()}` : row.name, 'sans', 13.5, row.within ? 'ink2' : 'ink'),
    run(row.perServing, 'sansBold', 13.5),
    run(row.per100g, 'sans', 13.5, 'text'),
    run(row.daily, 'sans', 13.5, 'text'),
  ];
  const hasNotes = daily !== undefined || unknown.length > 0;
  const height = (rows.length + 1) * line + (hasNotes ? notes.height + 4 * u : 0) + 2 * pad;
  return {
    height,
    gap: 13 * u,
    draw: (x, y) => {
      const rowAt = (said: readonly Run[], top: number): Mark[] => {
        let left = x + pad;
        return said.slice(0, columns.length).flatMap((words, c) => {
          const wide = (columns[c] ?? 0) * inner;
          const [made] = brokenText([words], inner, setting.set).lines;
          const at = c === 0 ? left : left + wide - (made?.width ?? 0);
          left += wide;
          return made ? marksOfLine(made, at, top + 12.6 * u) : [];
        });
      };
      const blocks: Block[] = [
        {
          role: 'Ornament',
          marks: [{ kind: 'shape', path: rectangle(x, y, width, height), fill: 'ticket', stroke: 'ink', strokeWidth: 0.9 * u }],
        },
        {
          role: 'P',
          marks: rowAt(
            heads.map((words) => run(words, 'sansBold', 13, 'ink2')),
            y + pad,
          ),
        },
        ...rows.map((row, i): Block => {
          const top = y + pad + (i + 1) * line;
          return { role: 'P', figure: row.figure, marks: [ruled(x + pad, top, inner, 'ticketRule', 0.8 * u), ...rowAt(cells(row), top)] };
        }),
        ...(hasNotes ? notes.draw(x + pad, y + height - pad - notes.height) : []),
      ];
      return blocks;
    },
  };
}
