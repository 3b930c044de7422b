import type { CardContent } from '../card/index.js';
import type { Looks } from './looks.js';
import { stackItem, textItem, type Item, type Setting } from './stack.js';
import { roundRectangle } from './shapes.js';

/** Which issue of a card is laid out; none: it is not published. */
export interface Edition {
  readonly issue: number;
  /** "17 Nov 2026". */
  readonly on: string;
}

/** What a card is signed with: the kitchen's mark, the issue and its day, and where readers find it. */
export function signatureItem(
  { address = '', mark = '' }: CardContent,
  edition: Edition | undefined,
  width: number,
  { run, u }: Looks,
  setting: Setting,
): Item | undefined {
  const issue = edition ? `Issue ${edition.issue}` : 'Not published';
  const inset = mark === '' ? 0 : 42 * u;
  const look = { width: width - inset, leading: 17 * u };
  const said = stackItem([
    textItem([run(issue, 'sansBold', 13.5)], look, setting),
    ...(edition ? [textItem([run(`of ${edition.on}`, 'sans', 13.5, 'ink2')], look, setting)] : []),
    ...(address === '' ? [] : [textItem([run(address, 'sans', 13.5, 'ink2')], look, setting)]),
  ]);
  const height = Math.max(said.height, mark === '' ? 0 : 32 * u);
  return {
    height,
    gap: 0,
    draw: (x, y) => [
      ...(mark === ''
        ? []
        : [
            {
              role: 'Ornament' as const,
              marks: [{ kind: 'shape' as const, path: roundRectangle(x, y, 32 * u, 32 * u, 16 * u), fill: 'damson' as const }],
            },
            ...textItem(
              [run(mark, 'serifBold', mark.length > 2 ? 12 : 15, 'paper')],
              { width: 32 * u, leading: 32 * u, align: 'middle', role: 'Ornament' },
              setting,
            ).draw(x, y),
          ]),
      ...said.draw(x + inset, y + (height - said.height) / 2),
    ],
  };
}
